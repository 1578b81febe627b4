import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineConfig({
  root: here('.'),
  build: {
    ssr: true,
    outDir: here('../dist/calibration'),
    emptyOutDir: true,
    rollupOptions: { input: here('fit.ts') },
  },
})
