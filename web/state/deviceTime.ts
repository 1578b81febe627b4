/** An instant as a field of date and time shows it, by this device's clock; and back. */
export const asLocal = (instant: string): string => {
  const d = new Date(instant)
  return new Date(d.getTime() - d.getTimezoneOffset() * 60_000).toISOString().slice(0, 16)
}
export const nowLocal = (): string => asLocal(new Date().toISOString())
export const asInstant = (local: string): string => new Date(local).toISOString()
