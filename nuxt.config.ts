import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'
import { build } from 'vite'

/** The worker of the server's pool: one file, so that no part of the server itself is started in its threads. */
const buildWorker = (outDir: string) =>
  build({
    configFile: false,
    logLevel: 'error',
    resolve: { alias: { '#core': core } },
    ssr: { noExternal: true, external: ['sharp'] },
    build: {
      ...{ outDir, emptyOutDir: false, copyPublicDir: false },
      ssr: fileURLToPath(new URL('./server/work/worker.ts', import.meta.url)),
      rollupOptions: {
        output: { entryFileNames: 'worker.mjs', format: 'es', inlineDynamicImports: true },
      },
    },
  })

const core = fileURLToPath(new URL('./core', import.meta.url))
const strict = { noUncheckedIndexedAccess: true, exactOptionalPropertyTypes: true }

export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  telemetry: false,
  devtools: { enabled: false },
  // The signed-in application is drawn in the browser: it must work without a network during a visit anyway.
  ssr: false,
  spaLoadingTemplate: false,
  // The development server has no entry without server rendering; every page is then drawn in the browser by rule.
  $development: { ssr: true, routeRules: { '/**': { ssr: false } } },
  modules: ['@pinia/nuxt', '@vite-pwa/nuxt'],
  components: [{ path: '~/components', pathPrefix: false }],
  imports: { dirs: ['composables/**'] },
  alias: { '#core': core },
  css: ['~/assets/main.css'],
  app: {
    head: {
      title: 'Zen Ladder',
      htmlAttrs: { lang: 'en' },
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        { name: 'theme-color', content: '#efe9dd' },
      ],
      link: [{ rel: 'icon', href: '/icon.svg', type: 'image/svg+xml' }],
    },
  },
  typescript: {
    strict: true,
    tsConfig: { compilerOptions: strict },
  },
  vite: {
    plugins: [tailwindcss()],
    worker: { format: 'es' },
    build: { chunkSizeWarningLimit: 700 },
  },
  hooks: {
    // What answers for an address that is not there knows every one that is.
    'nitro:init': (nitro) => {
      nitro.options.virtual['#api-routes'] = () => {
        const routes = nitro.scannedHandlers
          .filter(({ route, method }) => route?.startsWith('/api/') && method)
          .map(({ route, method }) => ({ route, method }))
        return `export const API_ROUTES = ${JSON.stringify(routes)}`
      }
      const { options } = nitro
      nitro.hooks.hook('compiled', async () => {
        await buildWorker(options.dev ? options.buildDir : options.output.serverDir)
      })
    },
  },
  nitro: {
    errorHandler: '~~/server/error-handler.ts',
    typescript: {
      tsConfig: { include: ['../core/**/*.ts'], compilerOptions: strict },
    },
    externals: { inline: ['zod'] },
    // Letters of the leaflet: Latin, Greek, Cyrillic.
    serverAssets: [
      {
        baseName: 'fonts',
        dir: fileURLToPath(new URL('node_modules/dejavu-fonts-ttf/ttf', import.meta.url)),
        pattern: 'DejaVuSans{,-Bold}.ttf',
      },
    ],
  },
  pwa: {
    strategies: 'injectManifest',
    srcDir: '.',
    filename: 'service-worker.ts',
    registerType: 'autoUpdate',
    injectRegister: false,
    manifest: false,
    injectManifest: {
      globPatterns: ['**/*.{js,css,svg,woff2}'],
      globIgnores: ['**/*cyrillic*', '**/*vietnamese*'],
      maximumFileSizeToCacheInBytes: 3_000_000,
    },
    client: { registerPlugin: true },
  },
})
