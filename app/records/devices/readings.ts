import { useEventSource, useIntervalFn } from '@vueuse/core'
import { ownInstant } from '#core/calendar/clock'
import type { Quantity } from '#core/readings/kinds'
import { doubtOf, stillWeight, type Doubt, type Sample } from '#core/readings/plausibility'
import type { Reading } from '#core/readings/measured'
import type { Stored } from '#shared/records/collections'
import type { DeviceRecord } from '#shared/records/device'

/** So many of each device and quantity are held on a page. */
const HELD = 240
const TICK_MS = 1000

export interface Source {
  readonly device: Stored<DeviceRecord>
  readonly quantity: Quantity
  readonly name: string
  readonly samples: readonly Sample[]
  readonly last: Sample
  readonly doubt: Doubt | null
}

/** What the devices of the bench say, as it comes. Nothing is listened for until a page asks. */
export const useReadings = defineStore('readings', () => {
  const household = useHousehold()
  const held = shallowRef<
    ReadonlyMap<string, { deviceId: string; quantity: Quantity; name: string; samples: Sample[] }>
  >(new Map())
  const nowMs = ref(Date.now())
  useIntervalFn(() => (nowMs.value = Date.now()), TICK_MS)
  /** The moment of the household, ms: its devices live by the same clock. */
  const ownMs = computed(() => ownInstant(household.record?.clock ?? null, new Date(nowMs.value)).getTime())

  const address = ref<string>()
  const { data } = useEventSource(address, [], { autoReconnect: true, immediate: true })
  watch(data, (said) => {
    if (!said) return
    const { deviceId, readings } = JSON.parse(said) as { deviceId: string; readings: Reading[] }
    take(readings.map((one) => ({ deviceId, ...one })))
  })

  function take(all: readonly (Reading & { deviceId: string })[]) {
    const next = new Map(held.value)
    for (const { deviceId, quantity, name, atMs, value } of all) {
      const key = `${deviceId} ${quantity} ${name}`
      const known = next.get(key)
      const samples = known ? known.samples.filter((one) => one.atMs !== atMs) : []
      samples.push({ atMs, value })
      samples.sort((a, b) => a.atMs - b.atMs)
      next.set(key, { deviceId, quantity, name, samples: samples.slice(-HELD) })
    }
    held.value = next
  }

  /** Reads what there is and listens from now on, once for each household. */
  async function listen() {
    const home = `/api/households/${household.id}/readings`
    if (!household.id || household.devices.length === 0 || address.value === `${home}/live`) return
    held.value = new Map()
    address.value = `${home}/live`
    const latest = await $fetch<(Reading & { deviceId: string })[]>(`${home}/latest`, {
      query: { limit: HELD },
    }).catch(() => [])
    take(latest)
  }

  const sources = computed((): Source[] =>
    [...held.value.values()].flatMap(({ deviceId, quantity, name, samples }) => {
      const device = household.devices.find(({ id }) => id === deviceId)
      const last = samples.at(-1)
      if (!device || !last) return []
      return [{ device, quantity, name, samples, last, doubt: doubtOf(quantity, samples, ownMs.value) }]
    }),
  )
  /** What is believed of a quantity, the latest first. */
  const believed = (quantity: Quantity) =>
    sources.value
      .filter((one) => one.quantity === quantity && one.doubt === null)
      .sort((a, b) => b.last.atMs - a.last.atMs)
  /** The pan that stands still with something on it. */
  const weight = computed(() => {
    for (const source of believed('mass')) {
      if (source.device.body.kind !== 'kitchen scale') continue
      const grams = stillWeight(source.samples, ownMs.value)
      if (grams !== null) return { grams, source }
    }
    return null
  })

  return {
    listen,
    sources,
    weight,
    ownMs,
  }
})
