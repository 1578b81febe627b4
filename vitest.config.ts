import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import type { Plugin } from 'vite'
import { defineConfig } from 'vitest/config'
import { LAZY } from './scripts/browser.mjs'

const SLOW_MACHINE = { testTimeout: 120_000, hookTimeout: 120_000 }

/** Pages as a browser has them, for tests that run without one: what is not drawn by a server is not made for one. */
function pagesInNode(): Plugin {
  const plugin = vue({ isProduction: true }) as Plugin
  for (const hook of ['transform', 'load'] as const) {
    const { handler } = plugin[hook] as { handler: (this: unknown, ...asked: unknown[]) => unknown }
    const at = hook === 'load' ? 1 : 2
    Object.assign(plugin[hook]!, {
      handler(this: unknown, ...asked: unknown[]) {
        return handler.call(this, ...asked.slice(0, at), { ...(asked[at] as object), ssr: false })
      },
    })
  }
  return plugin
}

// Three workers over all on two cores: a browser, a server and a disk wait for one another much of the time (measured: 478 and 550 s
// beside 584 s with two). No test fails because a machine is slow: limits are far off.
export default defineConfig({
  test: {
    maxWorkers: 3,
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
          exclude: ['web/**/*.page.test.ts'],
          setupFiles: ['kit/seed.ts'],
          testTimeout: 30_000,
          // Pure functions: the core is read once per worker, not once per file.
          isolate: false,
        },
      },
      {
        plugins: [pagesInNode()],
        resolve: {
          alias: { 'idb-keyval': fileURLToPath(new URL('./kit/idb.ts', import.meta.url)) },
        },
        test: {
          name: 'components',
          environment: './kit/environment.ts',
          execArgv: [...LAZY, '--max-semi-space-size=64'],
          env: { NODE_ENV: 'production' },
          isolate: false,
          include: ['web/**/*.page.test.ts'],
          globalSetup: 'kit/prepare.ts',
          expect: { poll: { timeout: 25_000, interval: 5 } },
          ...SLOW_MACHINE,
        },
      },
      {
        test: {
          name: 'api',
          execArgv: LAZY,
          isolate: false,
          include: ['server/**/*.test.ts'],
          setupFiles: ['kit/seed.ts'],
          globalSetup: 'server/setup.ts',
          ...SLOW_MACHINE,
        },
      },
      {
        test: {
          name: 'browser',
          isolate: false,
          include: ['e2e/**/*.test.ts'],
          globalSetup: 'e2e/setup.ts',
          expect: { poll: { timeout: 30_000, interval: 150 } },
          ...SLOW_MACHINE,
        },
      },
    ],
  },
})
