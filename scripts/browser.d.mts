import type { ChildProcess } from 'node:child_process'

export function findChromium(): string | undefined
export function ensureChromium(): string
export const CHROMIUM_FLAGS: string[]
export const LAZY: string[]
export const SHORT_LIVED: string[]
export function startServer(
  args: string[],
  node?: string[],
): {
  url: Promise<string>
  stop: () => Promise<number | null>
  said: { text: string }
  child: ChildProcess
}
