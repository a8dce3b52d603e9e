import { ownInstant } from '#core/calendar/clock'
import { SENT_AS } from '#core/readings/measured'
import { asPack } from '#core/readings/senml'
import type { Everything, Stored } from '#shared/records/collections'
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
  /** By the path of the device: the same device stands in the demonstration and in every example made of it. */
  private readonly keys = new Map<string, string>()
  private readonly last = new Map<string, readonly Value[]>()
  private households: string[] = []
  private readonly known = new Map<string, { devices: string; everything: Everything }>()
  private tick = 0
  private timer: NodeJS.Timeout | undefined
  private busy = false
  private readonly trouble = new Map<string, string>()

  constructor(private readonly address: string) {}

  begin() {
    this.timer = setInterval(() => void this.turn(), TICK_MS)
    void this.turn()
  }
  end() {
    clearInterval(this.timer)
  }

  /** One beat: every device that is due sends. A beat that falls into another is none. */
  async turn() {
    if (this.busy) return
    this.busy = true
    await this.saying('list', async () => {
      if (this.tick % LOOK_EVERY === 0)
        this.households = (await this.get<{ householdId: string }[]>('/api/simulated')).map(
          ({ householdId }) => householdId,
        )
    })
    // Side by side: one household that is thrown away meanwhile, or is slow to read, holds up no other.
    await Promise.all(this.households.map((id) => this.saying(id, () => this.send(id))))
    this.tick++
    this.busy = false
  }
  /** What goes wrong is said once: the application is away for a moment, and the bench goes on when it is back. */
  private async saying(what: string, work: () => Promise<void>) {
    try {
      await work()
      this.trouble.delete(what)
    } catch (error) {
      const trouble = String(error)
      if (trouble !== this.trouble.get(what)) console.error(`Simulated bench: ${trouble}`)
      this.trouble.set(what, trouble)
    }
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
        this.last.get(`${home} ${device.id}`) ?? [],
        `${device.id} ${atS}`,
      )
      if (values.length === 0) continue
      this.last.set(`${home} ${device.id}`, values)
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
    const path = `${home}/device-keys/${deviceId}`
    const key = this.keys.get(path) ?? (await this.newKey(path))
    const answer = await fetch(`${this.address}${home}/readings`, {
      method: 'POST',
      headers: { 'content-type': 'application/senml+json', authorization: `Bearer ${key}` },
      body: JSON.stringify(pack),
    })
    // Read to its end, or its connection is never used again.
    await answer.arrayBuffer()
    if (answer.status === 401) this.keys.delete(path)
  }
  private async newKey(path: string): Promise<string> {
    const answer = await fetch(`${this.address}${path}`, { method: 'POST' })
    const { key } = (await answer.json()) as { key: string }
    this.keys.set(path, key)
    return key
  }
  private async get<Answer>(path: string): Promise<Answer> {
    const answer = await fetch(`${this.address}${path}`)
    if (!answer.ok) throw new Error(`${path}: ${answer.status}`)
    return (await answer.json()) as Answer
  }
}
