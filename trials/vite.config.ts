import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vite'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineConfig({
  root: here('.'),
  build: {
    ssr: true,
    outDir: here('../dist/trials'),
    emptyOutDir: true,
    target: 'node20',
    rollupOptions: { input: { main: here('faulty/main.ts'), killed: here('faulty/killed.ts') } },
  },
})
