import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'
import vue from '@vitejs/plugin-vue'
import { compression } from 'vite-plugin-compression2'
import { VitePWA } from 'vite-plugin-pwa'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  plugins: [
    vue(),
    tailwindcss(),
    VitePWA({
      injectRegister: null,
      manifest: false,
      workbox: {
        globPatterns: ['**/*.{js,css,html,woff2,svg}'],
        // A page is asked of the server first; the kept shell stands in when it does not answer. Nothing of the API is ever kept here.
        navigateFallback: null,
        skipWaiting: true,
        clientsClaim: true,
        inlineWorkboxRuntime: true,
        sourcemap: false,
        runtimeCaching: [
          {
            urlPattern: ({ request, url }) => request.mode === 'navigate' && !url.pathname.startsWith('/api'),
            handler: 'NetworkOnly',
            options: { precacheFallback: { fallbackURL: '/index.html' } },
          },
        ],
      },
    }),
    // Beside each script and style stands its smallest form, made once: the server hands it out as it is.
    compression({ include: /\.(js|css|svg)$/, algorithms: ['brotliCompress', 'gzip'] }),
  ],
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
    setupFiles: ['./unmount.setup.ts'],
    include: ['src/**/*.spec.ts'],
  },
})
