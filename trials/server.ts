import { v7 as uuid } from 'uuid'
import type { Bundle, Home } from '#contracts'
import { startServer } from '../scripts/browser.mjs'
import { copyPrepared, scratchFolder } from '../scripts/prepared.mjs'
import { FARM, lotBody, weighingBody } from '../server/testing.ts'
import { join } from 'node:path'

/** A data folder with an empty farm, in a scratch folder of its own. */
export async function emptyFarm(): Promise<string> {
  const folder = join(scratchFolder('ekko-trial-'), 'farm')
  await copyPrepared('empty', folder)
  return folder
}

export const start = (folder: string, node: string[] = []) => startServer(['--data', folder], node)

async function send(
  url: string,
  method: string,
  path: string,
  body: unknown,
): Promise<{ status: number; body: unknown } | null> {
  try {
    const res = await fetch(`${url}/api${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    return { status: res.status, body: await res.json() }
  } catch {
    return null
  }
}
export const post = (url: string, path: string, body: unknown) => send(url, 'POST', path, body)
export const putFarm = (url: string) => send(url, 'PUT', '/farm', FARM)

/** What a client was told is kept. */
export interface Told {
  lots: Set<string>
  weighings: Set<string>
}
export const told = (): Told => ({ lots: new Set(), weighings: new Set() })

/** Hangs lots and weighs them until the server no longer answers or `until` says enough; notes what was acknowledged. */
export async function client(url: string, name: string, heard: Told, until: () => boolean): Promise<void> {
  while (!until()) {
    const lot = lotBody({ id: uuid(), tag: `${name} ${heard.lots.size}` })
    const hung = await post(url, '/lots', lot)
    if (!hung) return
    if (hung.status !== 201) continue
    heard.lots.add(lot.id)
    const weighing = weighingBody('live', 250)
    const weighed = await post(url, `/lots/${lot.id}/weighings`, weighing)
    if (!weighed) return
    if (weighed.status === 200) heard.weighings.add(weighing.id)
  }
}

/** What is wrong with what a server holds against what was acknowledged: missing, or doubled. */
export async function faultsAgainst(url: string, heard: Told): Promise<string[]> {
  // The rail gives the newest only: what is held is asked whole.
  const { lots } = ((await (await fetch(`${url}/api/bundle`)).json()) as Bundle).content
  return [
    ...compare(
      'lot',
      heard.lots,
      lots.map((l) => l.id),
    ),
    ...compare(
      'weighing',
      heard.weighings,
      lots.flatMap((l) => l.weighings.map((w) => w.id)),
    ),
  ]
}
function compare(kind: string, wanted: Set<string>, found: string[]): string[] {
  const there = new Set(found)
  return [
    ...[...wanted].filter((id) => !there.has(id)).map((id) => `${kind} ${id} is missing`),
    ...(there.size < found.length ? [`a ${kind} is there twice`] : []),
  ]
}
export const ended = (server: ReturnType<typeof startServer>) =>
  new Promise<number | null>((resolve) => {
    if (server.child.exitCode !== null || server.child.signalCode !== null) resolve(server.child.exitCode)
    else server.child.on('exit', resolve)
  })

/** Hangs a lot of this name: the status of the answer; null where there was none. */
export const hang = async (url: string, tag: string): Promise<number | null> =>
  (await post(url, '/lots', lotBody({ tag })))?.status ?? null
export async function tagsOf(url: string): Promise<string[]> {
  const home = (await (await fetch(`${url}/api/home`)).json()) as Home
  return home.lots.map((l) => l.tag)
}
