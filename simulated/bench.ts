import { ownInstant } from '#core/season/clock'
import { SENT_AS } from '#core/readings/measured'
import { asPack } from '#core/readings/senml'
import type { Everything, Stored } from '#shared/collections'
import type { DeviceRecord } from '#shared/records/device'
import { broken } from './fault'
import { World, type Value } from './world'

/*
 * The simulated devices, each sending with a key of its own what a real gateway would: SenML over HTTP. It knows the application
 * by its address alone.
 */

const TICK_MS = 2_000
const LOOK_EVERY = 5
/** A scale sends at every tick, the others now and then. */
const EVERY: Readonly<Record<DeviceRecord['kind'], number>> = {
  'kitchen scale': 1,
  'pocket scale': 1,
  'air probe': 15,
  'mix probe': 15,
  pen: 5,
  'light meter': 15,
  'label printer': 0,
  forecast: 0,
  other: 0,
}

export class SimulatedBench {
  private readonly keys = new Map<string, string>()
  private readonly last = new Map<string, readonly Value[]>()
  private households: string[] = []
  private readonly known = new Map<string, { devices: string; everything: Everything }>()
  private tick = 0
  private timer: NodeJS.Timeout | undefined
  private busy = false
  private trouble = ''

  constructor(private readonly address: string) {}

  begin() {
    this.timer = setInterval(() => void this.turn(), TICK_MS)
    void this.turn()
  }
  end() {
    clearInterval(this.timer)
  }

  private async turn() {
    if (this.busy) return
    this.busy = true
    try {
      if (this.tick % LOOK_EVERY === 0)
        this.households = (await this.get<{ householdId: string }[]>('/api/simulated')).map(
          ({ householdId }) => householdId,
        )
      for (const household of this.households) await this.send(household)
      this.trouble = ''
    } catch (error) {
      // The application is away for a moment: the bench goes on when it is back, and says it once.
      const trouble = String(error)
      if (trouble !== this.trouble) console.error(`Simulated bench: ${trouble}`)
      this.trouble = trouble
    }
    this.tick++
    this.busy = false
  }

  private async send(householdId: string) {
    const home = `/api/households/${householdId}`
    const devices = await this.get<Stored<DeviceRecord>[]>(`${home}/devices`)
    const said = JSON.stringify(devices)
    let known = this.known.get(householdId)
    if (!known || known.devices !== said || this.tick % EVERY['air probe'] === 0) {
      known = { devices: said, everything: await this.get<Everything>(home) }
      this.known.set(householdId, known)
    }
    const real = new Date()
    const world = new World(known.everything, real)
    const atS = Math.floor(ownInstant(known.everything.household.body.clock, real).getTime() / 1000)
    for (const device of devices) {
      const every = EVERY[device.body.kind]
      if (!device.body.simulated || every === 0 || this.tick % every !== 0) continue
      const values = broken(
        device.body.fault,
        world.read(device),
        this.last.get(device.id) ?? [],
        `${device.id} ${atS}`,
      )
      if (values.length === 0) continue
      this.last.set(device.id, values)
      await this.post(
        home,
        device.id,
        asPack(
          values.map(({ quantity, name, value }) => {
            const [unit, of] = SENT_AS[quantity]
            return {
              name: `urn:uuid:${device.id}:${name}`,
              unit,
              atS,
              value: Number(of(value).toPrecision(10)),
            }
          }),
        ),
      )
    }
  }

  private async post(home: string, deviceId: string, pack: object[]) {
    const key = this.keys.get(deviceId) ?? (await this.newKey(home, deviceId))
    const { status } = await fetch(`${this.address}${home}/readings`, {
      method: 'POST',
      headers: { 'content-type': 'application/senml+json', authorization: `Bearer ${key}` },
      body: JSON.stringify(pack),
    })
    if (status === 401) this.keys.delete(deviceId)
  }
  private async newKey(home: string, deviceId: string): Promise<string> {
    const answer = await fetch(`${this.address}${home}/device-keys/${deviceId}`, { method: 'POST' })
    const { key } = (await answer.json()) as { key: string }
    this.keys.set(deviceId, key)
    return key
  }
  private async get<Answer>(path: string): Promise<Answer> {
    const answer = await fetch(`${this.address}${path}`)
    if (!answer.ok) throw new Error(`${path}: ${answer.status}`)
    return (await answer.json()) as Answer
  }
}
