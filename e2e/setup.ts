import { chromium } from 'playwright-core'
import type { TestProject } from 'vitest/node'
import { CHROMIUM_FLAGS, ensureChromium } from '../scripts/browser.mjs'
import { preparedFolder, scratchOfRun } from '../scripts/prepared.mjs'

declare module 'vitest' {
  export interface ProvidedContext {
    browserAddress: string
  }
}

/** A name of the network that is this machine: how a second device sees it, without a network. */
const MAPPED = '--host-resolver-rules=MAP barn.test 127.0.0.1'

/** One browser and one prepared demo farm for all files; each file has a context and a copy of its own. */
export default async function setup(project: TestProject) {
  const clear = scratchOfRun()
  await preparedFolder('demo')
  const browser = await chromium.launchServer({
    executablePath: ensureChromium(),
    args: [...CHROMIUM_FLAGS, MAPPED],
  })
  project.provide('browserAddress', browser.wsEndpoint())
  return async () => {
    await browser.close()
    clear()
  }
}
