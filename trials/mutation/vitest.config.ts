import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'
import whole from '../../vitest.config.ts'

/** Which tests are asked: of the rooms themselves (and of paper), of the API, or of the pages. Each file apart, so that a change loaded once is not kept. */
const asked = process.env.EKKO_MUTATED ?? 'core'
const rooms = (process.env.EKKO_ROOMS ?? 'core,contracts').split(',')
const root = fileURLToPath(new URL('../..', import.meta.url))
const project = (name: string) => {
  const found = whole.test!.projects!.find(
    (p) => typeof p === 'object' && 'test' in p && p.test?.name === name,
  )
  if (typeof found !== 'object' || !('test' in found)) throw new Error(`There is no project ${name}.`)
  return found
}

export default asked === 'core'
  ? defineConfig({
      root,
      test: {
        include: [...rooms.map((room) => `${room}/**/*.test.ts`), 'paper/**/*.test.ts'],
        testTimeout: 60_000,
      },
    })
  : defineConfig({
      ...project(asked === 'api' ? 'api' : 'components'),
      root,
      test: {
        ...project(asked === 'api' ? 'api' : 'components').test,
        ...(asked === 'api' && {
          include: ['server/packs/*.test.ts', 'server/change.test.ts', 'server/sheets.test.ts'],
        }),
      },
    })
