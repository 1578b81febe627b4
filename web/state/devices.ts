import { ref } from 'vue'
import type { Code, DeviceChange, Devices, You } from '#contracts'
import { ask, barred, issuesOf, type FieldIssue } from './api.ts'
import { useFarm } from './farm.ts'

/** The devices of the farm: who was let in, and letting in the next one. */
export function useDevices() {
  const devices = ref<Devices | null>(null)
  const failed = ref<string | null>(null)

  async function load() {
    const answer = await ask<Devices>('GET', '/devices')
    if (answer.kind === 'ok') devices.value = answer.body
    failed.value = answer.kind === 'ok' ? null : issuesOf(answer)[0]!.detail
  }
  /** Does a thing, and shows how the devices stand after it. */
  async function then(
    method: 'POST' | 'PUT' | 'DELETE',
    path: string,
    body?: unknown,
  ): Promise<FieldIssue[]> {
    const answer = await ask<Code | undefined>(method, `/devices${path}`, body)
    if (answer.kind !== 'ok') return issuesOf(answer)
    await load()
    return []
  }
  return {
    devices,
    failed,
    load,
    makeCode: (floor: boolean) => then('POST', '/code', { floor }),
    change: (id: string, change: DeviceChange) => then('PUT', `/${id}`, change),
    withdraw: (id: string) => then('DELETE', `/${id}`),
  }
}

/** Comes in by a code, under a name; what this device still holds is sent from then on. */
export async function comeIn(code: string, name: string): Promise<FieldIssue[]> {
  const answer = await ask<You>('POST', '/devices/pair', { code, name })
  if (answer.kind !== 'ok') return issuesOf(answer)
  barred.value = null
  await useFarm().load()
  return []
}
