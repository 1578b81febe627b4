/** Something to be done: what must be done before it, where, by how many at once. Any unit of time, the same for all. */
export interface Job {
  id: string
  needs: readonly string[]
  /** Null: anywhere. */
  station: string | null
  people: number
}

/** Somebody who works, and from when until when. */
export interface Hand {
  id: string
  from: number
  until: number
}

/** A job as it was done, and by whom. */
export interface Run {
  job: string
  station: string | null
  hands: string[]
  from: number
  until: number
}

/** What is done when, and what could not be begun any more: nobody is there long enough, or its station is nowhere. */
export interface Day {
  runs: Run[]
  left: string[]
}

/**
 * The day, event by event: whenever somebody is free, the first job of the list that can be begun is begun: all it needs is
 * done, its station has room, and enough hands are there who will see its end. Nothing is interrupted. `takes` is how long a
 * job takes a hand; of several the slowest counts. `rooms` is how many jobs a station holds at once, one where not said.
 */
export function simulate(
  jobs: readonly Job[],
  hands: readonly Hand[],
  takes: (job: Job, hand: Hand) => number,
  rooms: ReadonlyMap<string, number> = new Map(),
  start = 0,
): Day {
  const waiting = [...jobs]
  const known = new Set(jobs.map((j) => j.id))
  const done = new Set<string>()
  let running: Run[] = []
  const runs: Run[] = []
  for (let now = start; ;) {
    begin(now)
    const next = Math.min(
      ...running.map((r) => r.until),
      ...(waiting.length > 0 ? hands.flatMap((h) => (h.from > now ? [h.from] : [])) : []),
    )
    if (next === Infinity) return { runs, left: waiting.map((j) => j.id) }
    now = next
    for (const r of running) if (r.until <= now) done.add(r.job)
    running = running.filter((r) => r.until > now)
  }

  function begin(now: number) {
    for (let i = 0; i < waiting.length; i++) {
      const job = waiting[i]!
      if (!job.needs.every((id) => done.has(id) || !known.has(id))) continue
      const inUse = running.filter((r) => r.station === job.station).length
      if (job.station !== null && inUse >= (rooms.get(job.station) ?? 1)) continue
      const busy = new Set(running.flatMap((r) => r.hands))
      const free = hands
        .filter((h) => h.from <= now && !busy.has(h.id) && now + takes(job, h) <= h.until)
        .sort((a, b) => takes(job, a) - takes(job, b))
        .slice(0, job.people)
      if (free.length < job.people) continue
      const until = now + Math.max(...free.map((h) => takes(job, h)))
      const run = { job: job.id, station: job.station, hands: free.map((h) => h.id), from: now, until }
      runs.push(run)
      if (until > now) running.push(run)
      else done.add(job.id)
      waiting.splice(i, 1)
      // What was passed over may be possible now, as a job that took no time is done.
      i = until > now ? i - 1 : -1
    }
  }
}
