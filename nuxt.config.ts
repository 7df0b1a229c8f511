import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'
import type { Plugin } from 'vite'
import { catalogue } from './scripts/words'
import { noCircles, scriptOf, startInTurn } from './scripts/page-scripts'
import { ensureTemplate, TEMPLATE_FOLDER } from './scripts/template-file'

const rootFolder = (name: string) => fileURLToPath(new URL(name, import.meta.url))

const LOCKS = 'node_modules/fs-native-extensions/prebuilds'
/** The builds of the kernel's lock for computers that a gym may have. */
const kernelLocks = readdirSync(rootFolder(LOCKS), { recursive: true, encoding: 'utf8' })
  .filter((name) => /^(linux|darwin|win32)-.*\.node$/.test(name))
  .map((name) => rootFolder(join(LOCKS, name)))

/** The folders right inside a folder of app/, whose exports every page may use by name. */
const foldersIn = (name: string) =>
  readdirSync(rootFolder(`app/${name}`), { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map((entry) => `${name}/${entry.name}`)

/**
 * core/ and shared/ only define things: a page gets what it uses of them, not all that the entry of the core names.
 */
const pureCore: Plugin = {
  name: 'oak-pinch-pure-core',
  enforce: 'post',
  transform(code, id) {
    const pure = id.startsWith(rootFolder('core/')) || id.startsWith(rootFolder('shared/'))
    return pure ? { code, map: null, moduleSideEffects: false } : undefined
  },
}

/** Fonts that pages on paper are written with. */
const PAPER_FONTS = ['barlow-condensed', 'atkinson-hyperlegible-next']

export default defineNuxtConfig({
  compatibilityDate: '2026-11-01',
  telemetry: false,
  devtools: { enabled: false },
  modules: ['@pinia/nuxt', '@nuxt/eslint', 'nuxt-security', '@vite-pwa/nuxt'],
  css: ['~/assets/main.css'],
  alias: { '#core': rootFolder('core/index.ts') },
  app: {
    head: {
      htmlAttrs: { lang: 'en' },
      title: 'Oak Pinch',
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1, viewport-fit=cover' },
        { name: 'theme-color', content: '#74481F' },
        { name: 'apple-mobile-web-app-title', content: 'Oak Pinch' },
      ],
      link: [
        { rel: 'icon', type: 'image/svg+xml', href: '/icon.svg' },
        { rel: 'apple-touch-icon', href: '/icons/touch-180.png' },
        { rel: 'manifest', href: '/manifest.webmanifest' },
      ],
    },
  },
  components: [
    { path: '~/features', pathPrefix: false, extensions: ['vue'] },
    { path: '~/ui', pathPrefix: false, extensions: ['vue'] },
  ],
  imports: { dirs: [...foldersIn('features'), 'ui', ...foldersIn('ui'), 'words'] },
  // The check-in outlives the server, so it is rendered in the browser alone.
  routeRules: {
    '/check-in/**': { ssr: false },
    '/caller/**': { ssr: false },
    // A client's own page, which opens on their phone without the server too.
    '/my': { ssr: false },
    // Addresses of earlier versions, as they stand in bookmarks.
    '/bench': { redirect: '/equipment' },
    '/boards/**': { redirect: '/leaderboards/**' },
    '/tables/**': { redirect: '/reference/**' },
  },
  // Without the manifest of routes a page opened from the service worker asks the server for nothing.
  experimental: {
    appManifest: false,
    // So that a page's scripts run in turn: see app/start.ts.
    asyncEntry: true,
    // A link's page is fetched when a finger or the pointer is on it: fetched when seen, they kept a phone busy.
    defaults: { nuxtLink: { prefetchOn: { visibility: false, interaction: true } } },
  },
  pwa: {
    strategies: 'injectManifest',
    srcDir: 'service-worker',
    filename: 'sw.ts',
    injectRegister: false,
    // The one in public/ serves: what it says is the same whatever is built.
    manifest: false,
    client: { registerPlugin: false },
    // What reads files and draws paper is large, and of no use without the server.
    injectManifest: {
      globPatterns: ['**/*.{js,css,woff2,svg}'],
      globIgnores: ['**/_nuxt/{exceljs,pdf,paper,records}*'],
    },
  },
  security: {
    nonce: true,
    rateLimiter: false,
    // Uploads and readings are checked by their schemas; the filter would refuse names with angle brackets in them.
    xssValidator: false,
    // The API counts what arrives itself, and has its own limits for readings and for photos.
    requestSizeLimiter: false,
    corsHandler: false,
    headers: {
      crossOriginEmbedderPolicy: false,
      strictTransportSecurity: false,
      // For photos, taken by the coach in the page itself.
      permissionsPolicy: { camera: ['self'] },
      contentSecurityPolicy: {
        'upgrade-insecure-requests': false,
        'script-src': ["'self'", "'strict-dynamic'", "'nonce-{{nonce}}'"],
        'style-src': ["'self'", "'unsafe-inline'"],
        'img-src': ["'self'", 'data:', 'blob:'],
        'connect-src': ["'self'"],
        'worker-src': ["'self'", 'blob:'],
        'font-src': ["'self'", 'data:'],
        'object-src': ["'none'"],
        'base-uri': ["'none'"],
      },
    },
  },
  nitro: {
    plugins: [rootFolder('demo/server-plugin.ts')],
    rollupConfig: { output: {}, plugins: [catalogue(rootFolder('locales'))] },
    serverAssets: [
      { baseName: 'migrations', dir: './database/migrations' },
      { baseName: 'template', dir: TEMPLATE_FOLDER },
      ...PAPER_FONTS.map((family) => ({
        ...{ baseName: family, dir: rootFolder(`node_modules/@fontsource/${family}/files`) },
        pattern: '*-latin-{400,600,700}-normal.woff',
      })),
    ],
    // Its builds for each system are found at run time, by nobody that the bundler can follow.
    externals: { traceInclude: kernelLocks },
    compressPublicAssets: { gzip: true, brotli: true },
  },
  vite: {
    plugins: [tailwindcss(), catalogue(rootFolder('locales')), pureCore, startInTurn, noCircles],
    // A worker may load parts of itself later, and what it says has the short names that the page knows.
    worker: { format: 'es', plugins: () => [catalogue(rootFolder('locales'))] },
    $client: {
      build: {
        rollupOptions: {
          output: {
            manualChunks: (id: string) => scriptOf(id, rootFolder('./')),
            onlyExplicitManualChunks: true,
            chunkFileNames: '_nuxt/[name].[hash].js',
          },
        },
      },
    },
  },
  typescript: { strict: true, tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true } } },
  hooks: {
    'nitro:build:before': () => ensureTemplate(),
    // Charts and the rest load where they are used, not ahead of time on every page.
    'build:manifest'(manifest) {
      for (const entry of Object.values(manifest)) {
        entry.prefetch = false
        // The start asks for the rest when it runs; the browser should have it by then.
        if (entry.isEntry)
          entry.imports = [...(entry.imports ?? []), ...(entry.dynamicImports ?? [])]
        entry.dynamicImports = []
      }
    },
  },
})
