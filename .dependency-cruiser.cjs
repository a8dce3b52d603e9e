/** Arrows point one way: app → shared → core, server → shared → core; core knows nothing outside itself. */
module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      // A solver for whole packs, one for blends of feeds, random numbers for simulated seasons, days, deep equality, singulars and near spellings of names, and the normal distribution.
      to: {
        pathNot: [
          '^core/',
          '^node_modules/(yalps|ml-fcnnls|d3-random|dequal|d3-time|inflection|fuse.js|simple-statistics)/',
        ],
      },
    },
    {
      name: 'shared-builds-on-core',
      severity: 'error',
      from: { path: '^shared/', pathNot: '\\.test\\.ts$' },
      to: {
        pathNot: ['^shared/', '^core/', '^node_modules/(zod|fflate|papaparse|fuse.js|d3-scale|dequal)/'],
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
      to: { couldNotResolve: true, pathNot: '^(#routes|#imports|#components|#app|nitropack/runtime)$' },
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
      from: { path: '^app/(state|composables)/' },
      to: { path: '^app/(components|pages)/' },
    },
    {
      name: 'components-know-no-page',
      severity: 'error',
      from: { path: '^app/components/' },
      to: { path: '^app/pages/' },
    },
    {
      name: 'workers-stand-on-core',
      severity: 'error',
      from: { path: '^app/workers/', pathNot: '\\.test\\.ts$' },
      to: { path: '^app/(state|composables|components|pages)/' },
    },
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
