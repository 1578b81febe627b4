import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'unit',
          include: [
            'core/**/*.test.ts',
            'calibration/**/*.test.ts',
            'contracts/**/*.test.ts',
            'paper/**/*.test.ts',
            'web/**/*.test.ts',
          ],
        },
      },
      { test: { name: 'api', include: ['server/**/*.test.ts'], testTimeout: 60_000, hookTimeout: 120_000 } },
      {
        test: {
          name: 'browser',
          include: ['e2e/**/*.test.ts'],
          testTimeout: 120_000,
          hookTimeout: 120_000,
          fileParallelism: false,
        },
      },
    ],
  },
})
