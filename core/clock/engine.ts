/** Something to be done: what must be done before it, where, by how many at once. Any unit of time, the same for all. */
export interface Job {
  id: string
  needs: readonly string[]
  /** Null: anywhere. */
  station: string | null
  people: number
  /** As many as are free do it together, each as quick as he is; who has to leave leaves the rest of it to the others. */
  shared?: boolean
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
 * done, its station has room, and enough hands are there who will see its end. Nothing is interrupted but what is shared.
 * `takes` is how long a job takes a hand alone; of several who do one together the slowest counts. `rooms` is how many jobs a
 * station holds at once, one where not said; of a shared one, how many stand at it.
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
  const shares = new Map<string, Shared>()
  for (let now = start; ;) {
    begin(now)
    for (const s of shares.values()) s.plan(now)
    const next = Math.min(
      ...running.map((r) => r.until),
      ...(waiting.length > 0 ? hands.flatMap((h) => (h.from > now ? [h.from] : [])) : []),
    )
    if (next === Infinity) return { runs, left: waiting.map((j) => j.id) }
    for (const s of shares.values()) s.work(next - now)
    now = next
    for (const r of running) if (r.until <= now && !shares.has(r.job)) done.add(r.job)
    running = running.filter((r) => r.until > now)
    for (const [id, s] of shares) {
      if (s.end > now) {
        s.leave(now)
        continue
      }
      done.add(id)
      shares.delete(id)
      waiting.splice(
        waiting.findIndex((j) => j.id === id),
        1,
      )
    }
  }

  function begin(now: number) {
    for (let i = 0; i < waiting.length; i++) {
      const job = waiting[i]!
      if (!job.needs.every((id) => done.has(id) || !known.has(id))) continue
      const inUse = running.filter((r) => r.station === job.station).length
      if (job.station !== null && inUse >= (rooms.get(job.station) ?? 1)) continue
      const busy = new Set(running.flatMap((r) => r.hands))
      if (job.shared) {
        const room = (job.station === null ? Infinity : (rooms.get(job.station) ?? 1)) - inUse
        for (const h of hands
          .filter((x) => x.from <= now && x.until > now && !busy.has(x.id))
          .slice(0, room)) {
          const run = { job: job.id, station: job.station, hands: [h.id], from: now, until: h.until }
          if (!shares.has(job.id)) shares.set(job.id, new Shared())
          shares.get(job.id)!.join(run, takes(job, h), h.until)
          runs.push(run)
          running.push(run)
        }
        continue
      }
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

/** A job that several do together: how much of it is left, and who is at it. */
class Shared {
  #left = 1
  #members: { run: Run; takes: number; until: number }[] = []
  /** When it is done if nobody comes or leaves. */
  end = Infinity
  join(run: Run, takes: number, until: number) {
    this.#members.push({ run, takes, until })
  }
  /** So much of it a unit of time. */
  #pace() {
    return this.#members.reduce((sum, m) => sum + 1 / m.takes, 0)
  }
  plan(now: number) {
    this.end = this.#members.length > 0 ? now + this.#left / this.#pace() : Infinity
    for (const m of this.#members) m.run.until = Math.min(this.end, m.until)
  }
  work(time: number) {
    this.#left -= time > 0 ? time * this.#pace() : 0
  }
  leave(now: number) {
    this.#members = this.#members.filter((m) => m.until > now)
  }
}
