import { chmodSync, lstatSync, readdirSync } from 'node:fs'
import { join } from 'node:path'

const FOLDER = 0o700
const FILE = 0o600

/**
 * Makes everything in a data folder its owner's only: records, copies, bundles, devices. What another system does not know (a
 * stick without rights) is left as it is.
 */
export function ownersOnly(path: string): void {
  const stat = lstatSync(path)
  if (stat.isSymbolicLink()) return
  const wanted = stat.isDirectory() ? FOLDER : FILE
  if ((stat.mode & 0o777) !== wanted) allow(path, wanted)
  if (stat.isDirectory()) for (const name of readdirSync(path)) ownersOnly(join(path, name))
}
function allow(path: string, mode: number): void {
  try {
    chmodSync(path, mode)
  } catch (error) {
    if (!/^(?:EPERM|ENOTSUP|EINVAL|EROFS)$/.test(String((error as { code?: unknown }).code))) throw error
  }
}

/** From now on nothing this process makes is for anybody else; before any thread is started. */
export const makeForOwnerOnly = () => void process.umask(0o077)
