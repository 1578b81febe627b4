import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineConfig({
  root: here('.'),
  build: {
    ssr: true,
    outDir: here('../dist/server'),
    emptyOutDir: true,
    target: 'node20',
    rollupOptions: {
      input: {
        main: here('main.ts'),
        worker: here('database/worker.ts'),
        papers: here('papers/worker.ts'),
        keeper: here('keeping/worker.ts'),
        prepare: here('prepare.ts'),
        restore: here('restore.ts'),
      },
    },
  },
})
