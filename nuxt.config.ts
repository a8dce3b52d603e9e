import { addComponent } from 'nuxt/kit'
import { globSync } from 'tinyglobby'
import { fileURLToPath } from 'node:url'

const core = fileURLToPath(new URL('./core', import.meta.url))
const noRipple = fileURLToPath(new URL('./app/theme/no-ripple.ts', import.meta.url))
const noSkeletons = fileURLToPath(new URL('./app/theme/no-skeletons.ts', import.meta.url))
const statistics = fileURLToPath(new URL('./node_modules/simple-statistics/index.js', import.meta.url))
const noStyle = fileURLToPath(new URL('./app/theme/no-style.ts', import.meta.url))

const api = fileURLToPath(new URL('./server/api', import.meta.url))

/** Every route there is, so that the API document leaves none out: its method, its path and its handler. */
function routes() {
  const files = globSync('**/*.{get,put,post,delete}.ts', {
    cwd: api,
    ignore: ['openapi.json.get.ts'],
  }).sort()
  const rows = files.map((file, i) => {
    const [, path, method] = /^(.*)\.(\w+)\.ts$/.exec(file)!
    return `{ method: '${method}', path: '/api/${path!.replace(/\/index$/, '')}', handler: r${i} }`
  })
  const imports = files.map((file, i) => `import r${i} from '${api}/${file}'`)
  return `${imports.join('\n')}\nexport const ROUTES = [${rows.join(',')}]`
}

/** The addresses of the pages, as patterns, so that the server knows which there are none of. */
function pages() {
  const files = globSync('**/*.vue', { cwd: fileURLToPath(new URL('./app/pages', import.meta.url)) }).sort()
  const patterns = files.map((file) => {
    const path = file.replace(/\.vue$/, '').replace(/(^|\/)index$/, '')
    return `^/${path.replace(/\[\.\.\.\w+\]/g, '.+').replace(/\[\w+\]/g, '[^/]+')}/?$`
  })
  return `export const PAGES = ${JSON.stringify(patterns)}.map((one) => new RegExp(one))`
}

/** Folders of app/ with components, from the bottom up. */
const PLACES = [
  'kit',
  'reading',
  'help',
  'shell',
  'first-hour',
  'settings',
  'plan',
  'trays',
  'mix-and-feed',
  'records',
  'today',
]
/** State that several places share. */
const STORES = [
  'plan/season',
  'trays/trays',
  'trays/water/water',
  'mix-and-feed/mix/mixDraft',
  'mix-and-feed/feed/feedDraft',
  'mix-and-feed/feed/programmeDraft',
  'today/jobs/guided-jobs',
  'records/devices/readings',
  'records/log/photos',
  'first-hour/firstHour',
]

/** The parts of PrimeVue that are used in many places; its module would load all it registers with the first page. */
function partsOfPrimeVue() {
  for (const name of ['Button', 'Message', 'InputText', 'Checkbox', 'RadioButton', 'Drawer'])
    addComponent({ name, filePath: `primevue/${name.toLowerCase()}` })
}

type ModuleOf = (id: string) => { importedIds: readonly string[] } | null

/**
 * Which file a module travels in. A page of forty small files waits on forty answers, so that what every visit begins with, the
 * shell and Today, is one file; the rest is parted by page.
 */
function chunkOf() {
  const first = new Set<string>()
  const reach = (id: string, moduleOf: ModuleOf) => {
    if (first.has(id)) return
    first.add(id)
    for (const next of moduleOf(id)?.importedIds ?? []) reach(next, moduleOf)
  }
  return (
    id: string,
    { getModuleInfo, getModuleIds }: { getModuleInfo: ModuleOf; getModuleIds: () => Iterable<string> },
  ) => {
    if (first.size === 0)
      for (const one of getModuleIds())
        if (
          /\/app\/(pages\/index|app|today\/jobs\/JobTimers|kit\/drawings\/MaterialTextures)\.vue$|\/nuxt\/dist\/app\/entry/.test(
            one,
          )
        )
          reach(one, getModuleInfo)
    if (first.has(id)) return 'first'
  }
}

export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  telemetry: false,
  devtools: { enabled: false },
  modules: [
    '@pinia/nuxt',
    '@pinia/colada-nuxt',
    '@primevue/nuxt-module',
    'nuxt-security',
    '@nuxt/eslint',
    partsOfPrimeVue,
  ],
  alias: { '#core': core },
  css: ['~/styles/main.css'],
  app: {
    head: {
      htmlAttrs: { lang: 'en' },
      title: 'Blastomix',
      titleTemplate: '%s · Blastomix',
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        {
          name: 'description',
          content: 'Growing media and seedling feeds, from empty tray to planting out.',
        },
        { name: 'color-scheme', content: 'light dark' },
      ],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/icon.svg' }],
    },
  },
  // A page that is pointed at is fetched, not every page there is a link to.
  experimental: {
    appManifest: false,
    defaults: { nuxtLink: { prefetchOn: { visibility: false, interaction: true } } },
  },
  // Components, composables and stores are known by name everywhere, as is usual; a file is called after what is in it.
  // That the kit and the household know no place is tested in app/arrows.test.ts.
  components: {
    dirs: PLACES.map((place) => ({ path: `~/${place}`, pathPrefix: false, extensions: ['vue'] })),
  },
  imports: { dirs: ['kit/**', 'household', '**/use*.ts', `{${STORES.join(',')}}.ts`] },
  primevue: {
    autoImport: false,
    options: { unstyled: true },
    importPT: { as: 'PassThrough', from: '~/theme/pass-through' },
    components: { include: ['Dialog', 'Popover', 'Select'] },
    directives: { include: [] },
    composables: { include: [] },
  },
  security: {
    rateLimiter: false,
    requestSizeLimiter: false,
    xssValidator: false,
    corsHandler: false,
    headers: {
      crossOriginEmbedderPolicy: false,
      strictTransportSecurity: false,
      contentSecurityPolicy: {
        'default-src': ["'self'"],
        'script-src': ["'self'", "'nonce-{{nonce}}'", "'strict-dynamic'"],
        'style-src': ["'self'", "'nonce-{{nonce}}'"],
        'img-src': ["'self'", 'data:'],
        'font-src': ["'self'"],
        'connect-src': ["'self'"],
        'worker-src': ["'self'"],
        'object-src': ["'none'"],
        'base-uri': ["'none'"],
        'form-action': ["'self'"],
        'frame-ancestors': ["'none'"],
        'upgrade-insecure-requests': false,
      },
    },
  },
  vite: {
    // The look of PrimeVue's parts is ours: its own style sheets would travel unused.
    resolve: {
      alias: [
        { find: /^@primeuix\/styles\/.+$/, replacement: noStyle },
        { find: /^primevue\/ripple$/, replacement: noRipple },
        { find: /^@formatjs\/icu-skeleton-parser$/, replacement: noSkeletons },
        // Its bundle cannot be parted; of its files only what is used travels.
        { find: /^simple-statistics$/, replacement: statistics },
      ],
    },
    worker: { format: 'es' },
    build: {
      minify: 'terser',
      rollupOptions: {
        output: { experimentalMinChunkSize: 60_000 },
        treeshake: { moduleSideEffects: (id) => !id.includes('/simple-statistics/') },
      },
    },
    optimizeDeps: { include: ['zod'] },
  },
  // A page is computed and drawn where it is read; the server sends an empty bench and what the household keeps.
  // Measured in docs/decisions: a third of the bytes, and no page is drawn twice.
  // Addresses pages had before are still bookmarked, and printed.
  routeRules: {
    '/**': { ssr: false },
    '/stores': { redirect: '/supplies' },
    '/runs': { redirect: '/jobs' },
    '/runs/**': { redirect: '/jobs/**' },
    '/today': { redirect: '/' },
    '/season': { redirect: '/plan' },
    '/season/batches': { redirect: '/batches' },
    '/season/buying': { redirect: '/plan/shopping' },
    '/season/light': { redirect: '/plan/light' },
    '/season/odds': { redirect: '/plan/odds' },
    '/log': { redirect: '/records' },
    '/log/**': { redirect: '/records/**' },
    '/bench/**': { redirect: '/batches/**' },
  },
  spaLoadingTemplate: 'bench-loading.html',
  nitro: {
    preset: 'node-server',
    compressPublicAssets: true,
    imports: { autoImport: false },
    virtual: { '#routes': routes, '#pages': pages },
    // The letters paper is set in travel with the server.
    serverAssets: [
      {
        baseName: 'fonts',
        dir: fileURLToPath(
          new URL('./node_modules/@fontsource/atkinson-hyperlegible-next/files', import.meta.url),
        ),
        pattern: '*-latin{,-ext}-{400,700}-normal.woff',
      },
      // The demo household, as everybody's is written out.
      { baseName: 'demo', dir: fileURLToPath(new URL('./server/demo', import.meta.url)) },
    ],
  },
  typescript: {
    strict: true,
    tsConfig: {
      include: ['../core/**/*'],
      exclude: ['../**/*.test.ts'],
      compilerOptions: { noUncheckedIndexedAccess: true },
    },
  },
  hooks: {
    'prepare:types'({ references }) {
      references.push({ path: fileURLToPath(new URL('./server/routes.d.ts', import.meta.url)) })
    },
    // What the next page may need is fetched when it is asked for: a first page carries only itself.
    'build:manifest'(manifest) {
      for (const file of Object.values(manifest)) file.prefetch = false
    },
    // The development server would open a second websocket, on all addresses.
    'vite:extendConfig'(config, { isServer }) {
      if (isServer && config.server) Object.assign(config.server, { ws: false })
      const output = config.build?.rollupOptions?.output
      if (!isServer && output && !Array.isArray(output)) output.manualChunks = chunkOf()
    },
  },
  eslint: { config: { stylistic: false } },
})
