import type { TestProject } from 'vitest/node'
import { preparedFolder, scratchOfRun } from '../scripts/prepared.mjs'

declare module 'vitest' {
  export interface ProvidedContext {
    emptyFolder: string
  }
}

/** An empty database is made once per build and copied by every test: making one takes seconds. */
export default async function setup(project: TestProject) {
  const clear = scratchOfRun()
  project.provide('emptyFolder', await preparedFolder('empty'))
  return clear
}
