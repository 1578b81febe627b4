import fs from 'node:fs'
import { syncBuiltinESMExports } from 'node:module'

// Loaded before a server (`node --import`): below PGlite, every touch of the database's own files is counted, and one of them fails.
// EKKO_BELOW is a file with { at, fault, always, of }; what was done is written beside it. EIO, ENOSPC: refused; short: half is taken.
const place = process.env.EKKO_BELOW
const { at, fault, always, of = '' } = JSON.parse(fs.readFileSync(place, 'utf8'))
const ERRNO = { EIO: -5, ENOSPC: -28 }
const { openSync, closeSync, writeSync, ftruncateSync, appendFileSync } = fs
const paths = new Map()
let calls = 0

/** Whether this call fails; what is not the database's own is left alone. */
function fails(call, path) {
  if (!/\/db\/(?:base|global|pg_)/.test(path) || !path.includes(of)) return false
  const now = calls++
  const isIt = now === at || (always && now > at && at >= 0)
  if (at < 0 || now === at) appendFileSync(`${place}.done`, `${call} ${path.replace(/.*\/db\//, '')}\n`)
  return isIt
}
function refuse(call) {
  throw Object.assign(new Error(`${fault}: ${call}`), { code: fault, errno: ERRNO[fault], syscall: call })
}

fs.openSync = (path, flags, mode) => {
  const writes = typeof flags === 'string' ? /[wa+]/.test(flags) : (flags & 3) !== 0
  if (writes && fault !== 'short' && fails('open', String(path))) refuse('open')
  const handle = openSync(path, flags, mode)
  paths.set(handle, String(path))
  return handle
}
fs.closeSync = (handle) => {
  paths.delete(handle)
  return closeSync(handle)
}
fs.writeSync = (handle, bytes, offset, length, position) => {
  if (!fails('write', paths.get(handle) ?? '')) return writeSync(handle, bytes, offset, length, position)
  if (fault !== 'short') return refuse('write')
  return writeSync(handle, bytes, offset, Math.floor(length / 2), position)
}
fs.ftruncateSync = (handle, length) => {
  if (fault !== 'short' && fails('ftruncate', paths.get(handle) ?? '')) return refuse('ftruncate')
  return ftruncateSync(handle, length)
}
syncBuiltinESMExports()
