import type { TestProject } from 'vitest/node'
import { preparedFolder, scratchOfRun } from '../scripts/prepared.mjs'

/** The demo farm is made once per build; each process has a copy of it. */
export default async function prepare(project: TestProject) {
  const clear = scratchOfRun()
  project.provide('demoFolder', await preparedFolder('demo'))
  return clear
}
