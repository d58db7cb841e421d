import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [vue(), tailwindcss()],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  build: { outDir: '../src/SideBench.Web/wwwroot', emptyOutDir: true },
  server: {
    // The glossary is the project's own page.
    fs: { allow: ['..'] },
    proxy: { '/api': 'http://127.0.0.1:5180' },
  },
  test: {
    // One page for all files: every file undoes what it stubs, and a page each takes half a minute.
    isolate: false,
    environment: 'jsdom',
    include: ['src/**/*.spec.ts'],
  },
})
