import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineConfig({
  root: here('.'),
  build: {
    ssr: true,
    outDir: here('../dist/bench'),
    emptyOutDir: true,
    target: 'node20',
    rollupOptions: {
      input: {
        evaluate: here('evaluate.ts'),
        records: here('records.ts'),
        packs: here('packs.ts'),
        line: here('line.ts'),
      },
    },
  },
})
