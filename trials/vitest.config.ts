import { defineConfig } from 'vitest/config'

const HOURS = 3 * 60 * 60 * 1000

export default defineConfig({
  test: {
    include: ['trials/**/*.trial.ts'],
    globalSetup: ['server/setup.ts', 'e2e/setup.ts'],
    testTimeout: HOURS,
    hookTimeout: HOURS,
    maxWorkers: 2,
  },
})
