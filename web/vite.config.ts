import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { VitePWA } from 'vite-plugin-pwa'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'src/offline',
      filename: 'worker.ts',
      injectRegister: false,
      manifestFilename: 'manifest.json',
      injectManifest: { globPatterns: ['**/*.{js,css,html,svg,woff2}'] },
      manifest: {
        name: 'Potamos',
        short_name: 'Potamos',
        description: 'Plans and runs batches of stock',
        start_url: '/range',
        display: 'standalone',
        background_color: '#F4F7F6',
        theme_color: '#F4F7F6',
        icons: [
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'any maskable' },
          { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' },
        ],
      },
    }),
  ],
  // Pictures and fonts stay files of their own: the content-security policy lets no data: address bring a font.
  build: { target: 'es2022', assetsInlineLimit: 0 },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env.POTAMOS_PORT ?? '8640'}` } },
  test: {
    environment: 'jsdom',
    globals: false,
    setupFiles: ['src/testing/setup.ts'],
    // A page's modules are loaded once for all tests: loading them for each file again took more of the processor than the tests themselves.
    pool: 'threads',
    isolate: false,
    // By itself it leaves a core free, which on a machine with two is half of it.
    maxWorkers: '100%',
    // A shared machine has slow minutes. Nothing here waits for a time: these are when a test gives up.
    testTimeout: 90_000,
    expect: { poll: { timeout: 20_000 } },
  },
})
