import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { compression, defineAlgorithm } from 'vite-plugin-compression2'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineConfig({
  root: here('.'),
  plugins: [
    vue(),
    // Compressed once, here: the server only picks what the browser takes.
    compression({
      include: /\.(?:js|css|html|svg|json)$/,
      algorithms: [defineAlgorithm('brotliCompress'), defineAlgorithm('gzip', { level: 9 })],
    }),
  ],
  build: { outDir: here('../dist/web'), emptyOutDir: true, target: 'es2022', assetsInlineLimit: 0 },
  server: {
    port: 5173,
    proxy: { '/api': { target: 'http://127.0.0.1:4310', headers: { origin: 'http://127.0.0.1:4310' } } },
  },
})
