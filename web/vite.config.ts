import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [react(), tailwindcss()],
  // Pictures and fonts stay files of their own: the content-security policy lets no data: address bring a font.
  build: { target: 'es2022', assetsInlineLimit: 0 },
  server: { proxy: { '/api': 'http://127.0.0.1:8640' } },
  test: {
    environment: 'jsdom',
    globals: false,
    setupFiles: ['src/testing/setup.ts'],
    // A shared machine has slow minutes. Nothing here waits for a time: these are when a test gives up.
    testTimeout: 30_000,
    expect: { poll: { timeout: 10_000 } },
  },
})
