/** What a browser keeps over a reload, in memory: stands where the page's own database would. */
type Place = Map<string, unknown>
const places = new Map<string, Place>()
const DEFAULT = 'default'

export const createStore = (database: string, store: string): string => `${database}/${store}`
const placeOf = (name = DEFAULT): Place => {
  const place = places.get(name) ?? new Map()
  places.set(name, place)
  return place
}
export const get = async (key: string, place?: string) => placeOf(place).get(key)
export const set = async (key: string, value: unknown, place?: string) => void placeOf(place).set(key, value)
export const del = async (key: string, place?: string) => void placeOf(place).delete(key)
export const entries = async (place?: string) => [...placeOf(place)]
export const forgetAll = () => places.clear()
