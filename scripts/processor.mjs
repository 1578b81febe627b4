import { readdirSync, readFileSync } from 'node:fs'

/** Ticks a second of the counters below, as Linux has them everywhere. */
const TICKS = 100
const EVERY_MS = 400

/** Of every process that runs now: whose child it is, and what it has taken of the processor by itself, ticks. */
function processes() {
  const all = new Map()
  for (const pid of readdirSync('/proc'))
    if (/^\d+$/.test(pid))
      try {
        const stat = readFileSync(`/proc/${pid}/stat`, 'utf8')
        const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ')
        all.set(Number(pid), { parent: Number(fields[1]), ticks: Number(fields[11]) + Number(fields[12]) })
      } catch {
        // Ended while it was read.
      }
  return all
}

/**
 * What a process and all that it starts take of the processor, seconds: servers and browsers too, which tell nobody at their
 * end. Looked at a few times a second, so what is over sooner is missed. Null where the system does not tell.
 */
export function processorOf(root) {
  const taken = new Map()
  const ours = new Set([root])
  const look = () => {
    const all = processes()
    for (let before = -1; before !== ours.size;) {
      before = ours.size
      for (const [pid, { parent }] of all) if (ours.has(parent)) ours.add(pid)
    }
    for (const pid of ours) if (all.has(pid)) taken.set(pid, all.get(pid).ticks)
  }
  let timer
  try {
    look()
    timer = setInterval(look, EVERY_MS)
    timer.unref()
  } catch {
    return () => null
  }
  return () => {
    clearInterval(timer)
    return [...taken.values()].reduce((a, b) => a + b, 0) / TICKS
  }
}
