/**
 * Rooms of a folder from the bottom up: each builds on those below it and beside it, never on one above it. Tests may look
 * anywhere.
 */
const floors = (folder, rows) =>
  rows.slice(0, -1).map((row, i) => ({
    name: `floors-of-${folder.replace('/', '-')}-${i + 1}`,
    severity: 'error',
    from: { path: `^${folder}/(${row.join('|')})[/.]`, pathNot: '\\.test\\.ts$|/test/' },
    to: {
      path: `^${folder}/(${rows
        .slice(i + 1)
        .flat()
        .join('|')})[/.]`,
    },
  }))

/** Arrows point one way: app → shared → core, server → shared → core; core knows nothing outside itself. */
module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      // A type that is imported alone is gone when the code runs: a record and its reader may each name the other's.
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$|/test/' },
      // A solver for whole packs, one for blends of feeds, random numbers for simulated seasons, deep equality, singulars and near spellings of names, and the normal distribution.
      to: {
        pathNot: [
          '^core/',
          '^node_modules/(yalps|ml-fcnnls|d3-random|dequal|inflection|fuse.js|simple-statistics)/',
        ],
      },
    },
    {
      name: 'shared-builds-on-core',
      severity: 'error',
      from: { path: '^shared/', pathNot: '\\.test\\.ts$' },
      to: {
        pathNot: [
          '^shared/',
          '^core/',
          '^node_modules/(zod|fflate|papaparse|fuse.js|d3-scale|dequal|intl-messageformat)/',
        ],
      },
    },
    {
      name: 'simulated-knows-no-server',
      comment: 'A device knows the application by its address alone.',
      severity: 'error',
      from: { path: '^simulated/' },
      to: { path: '^(app|server)/' },
    },
    { name: 'app-not-to-server', severity: 'error', from: { path: '^app/' }, to: { path: '^server/' } },
    { name: 'server-not-to-app', severity: 'error', from: { path: '^server/' }, to: { path: '^app/' } },
    {
      name: 'only-services-touch-the-database',
      severity: 'error',
      from: {
        path: '^server/',
        pathNot: ['^server/(services|db|jobs)/', '\\.test\\.ts$'],
      },
      to: { path: '^server/db/', pathNot: '^server/db/door' },
    },
    {
      name: 'resolvable',
      severity: 'error',
      from: { path: '^(app|core|shared|server|simulated)/' },
      // What the build makes: routes by their files, and what Nuxt and Nitro bring.
      to: {
        couldNotResolve: true,
        pathNot: '^(#routes|#pages|#imports|#components|#app|nitropack/runtime)$',
      },
    },
    {
      name: 'declared',
      comment: 'What is imported stands in package.json, and is not there by way of another package.',
      severity: 'error',
      from: { path: '^(app|core|shared|server|simulated)/' },
      // What Nitro brings.
      to: { dependencyTypes: ['npm-no-pkg', 'npm-unknown'], pathNot: '^node_modules/nitropack/' },
    },
    {
      name: 'state-knows-no-screen',
      severity: 'error',
      from: { path: '^app/.*\\.ts$' },
      to: { path: '\\.vue$' },
    },
    {
      name: 'features-know-no-page',
      severity: 'error',
      from: { path: '^app/', pathNot: '^app/pages/' },
      to: { path: '^app/pages/' },
    },
    {
      name: 'kit-and-household-know-no-feature',
      comment: 'What every place uses builds on no place.',
      severity: 'error',
      from: { path: '^app/(kit|household)/' },
      to: { path: '^app/(?!kit|household|workers|theme)[^/]+/' },
    },
    {
      name: 'workers-stand-on-core',
      severity: 'error',
      from: { path: '^app/workers/', pathNot: '\\.test\\.ts$' },
      to: { path: '^app/(?!workers)' },
    },
    ...floors('core', [
      ['catalogue', 'problem', 'glossary', 'numeric', 'working', 'units'],
      ['calendar', 'cautions', 'containers', 'text'],
      ['places', 'media', 'feed'],
      ['sowing', 'supplies', 'learning'],
      ['trays', 'water', 'trials', 'signs'],
      ['season', 'readings'],
      ['language', 'jobs'],
    ]),
    ...floors('core/season', [
      ['book', 'frame'],
      ['schedule'],
      ['packing', 'demand', 'uncertainty'],
      ['fitting', 'today'],
    ]),
    ...floors('shared', [['records'], ['computation'], ['commands']]),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.tools.json' },
    enhancedResolveOptions: {
      conditionNames: ['node', 'import', 'require', 'default'],
      exportsFields: ['exports'],
      extensions: ['.ts', '.vue', '.mjs', '.js', '.json'],
    },
  },
}
