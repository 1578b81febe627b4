import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

// The tests of the core alone, each file apart so that a change loaded once is not kept.
export default defineConfig({
  root: fileURLToPath(new URL('../..', import.meta.url)),
  test: { include: ['core/**/*.test.ts'], testTimeout: 60_000 },
})
