/** How much a database holds, table by table, and how often its changeable rows were changed: equal, nothing was written. */
export type Stamp = Record<string, number>

export const sameStamp = (a: Stamp, b: Stamp): boolean =>
  Object.keys(a).length === Object.keys(b).length && Object.entries(a).every(([k, n]) => b[k] === n)

/** An open database. It writes to its folder as it likes and flushes nothing. */
export interface Session<Tx> {
  transaction<T>(work: (tx: Tx) => Promise<T>): Promise<T>
  stamp(): Promise<Stamp>
  /** Files that its tables and indexes lie in, within its folder. */
  files(): Promise<string[]>
  /** The schema it has; 0 for an empty one. */
  schema(): Promise<number>
  migrate(): Promise<void>
  /** Bytes of log since the last checkpoint. */
  logBytes(): Promise<number>
  checkpoint(): Promise<void>
  close(): Promise<void>
}

/** A kind of database: PGlite, or the stand-in that the fault tests drive. */
export interface Cluster<Tx> {
  /** Where under its folder the log lies: what an acknowledgement waits for. */
  readonly log: string
  /** The schema this program writes. */
  readonly schema: number
  /** A prepared empty database, to be copied where there is none: making one takes seconds. */
  readonly empty?: string | undefined
  /** What lies in every whole database, by path within its folder. */
  readonly marks: readonly string[]
  /** What of a database at rest is not as it was written, in words; null where all of it is. */
  damaged(place: string): string | null
  /** Opens the database in a folder, or makes an empty one where there is no folder; never one in a folder that has lost its marks. */
  open(place: string): Promise<Session<Tx>>
  /** Whether an error means that the database itself is no longer to be trusted. */
  isFatal(error: unknown): boolean
}
