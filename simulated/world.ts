import { EC_PER_MG_N } from '#core/water/balance'
import { humidityOf } from '#core/water/climate'
import { momentOf, type Moment } from '#core/water/watering-events'
import { ownInstant } from '#core/calendar/clock'
import { dayAt, type Day } from '#core/calendar/day'
import { lightMethodById, ppfdAt } from '#core/places/light'
import { isIndoors, mixWarmth, nightIn, type Place } from '#core/places/place'
import { lampOf, lampHeight } from '#core/places/place-light'
import { withOutside } from '#core/season/schedule/stays'
import { weightAt } from '#core/water/follow'
import { LUX_PER_PPFD } from '#core/readings/air-of-day'
import type { Quantity } from '#core/readings/kinds'
import { contextOf, type Context } from '#shared/derived/context'
import type { Everything, Stored } from '#shared/records/collections'
import type { DeviceRecord } from '#shared/records/device'
import type { TrayRecord } from '#shared/records/tray'
import { changesByTray, trayStands } from '#shared/derived/trays'
import { trayWater, waterByTray } from '#shared/derived/water'
import { scatter, seedOf } from './chance'
import { weatherOn, type Sky } from './weather'

/*
 * The bench as it really is: one model of water, warmth, light and salts for all devices, made of what the household planned and
 * wrote down, by the same core. What it knows and the plan does not: each tray’s own thirst, draughts, a sky.
 */

export interface Value {
  readonly quantity: Quantity
  readonly name: string
  readonly value: number
}

/** Lamps burn from so early, h. */
const LAMPS_FROM_H = 6

/** How far a tray’s real thirst lies from what is computed, one standard deviation. */
const THIRST_SD = 0.08
/** A mat’s thermostat lets go this far above and below, °C, and a turn takes so long, min. */
const THERMOSTAT_C = 0.7
const TURN_MIN = 24
/** A pen drifts by so much of its reading a day since it was calibrated, at most [common practice: weekly calibration]. */
const DRIFT_PER_DAY = 0.006
const MAX_DRIFT = 0.15
const NEVER_CALIBRATED_DAYS = 20
/** What sits on a scale’s pan beside the tray once it was tared, and creeps, g. */
const CREEP_G = 0.6

export class World {
  private readonly context: Context
  private readonly at: Date
  private readonly today: Day
  private readonly hour: number
  private readonly sky: Sky

  constructor(
    private readonly everything: Everything,
    real: Date,
  ) {
    const { body } = everything.household
    this.at = ownInstant(body.clock, real)
    this.today = dayAt(this.at)
    this.hour = this.at.getUTCHours() + this.at.getUTCMinutes() / 60
    this.context = contextOf(everything)
    this.sky = { place: body.place || body.name, lastFrost: body.season?.lastFrost ?? null }
  }

  /** What a device would read now, before it is broken. */
  read(device: Stored<DeviceRecord>): Value[] {
    switch (device.body.kind) {
      case 'kitchen scale':
        return [{ quantity: 'mass', name: 'weight', value: this.scale(device, 1) }]
      case 'pocket scale':
        return [{ quantity: 'mass', name: 'weight', value: this.pocket(device) }]
      case 'air probe':
        return this.air(this.placeOf(device), device.id)
      case 'mix probe':
        return [{ quantity: 'temperature', name: 'mix', value: this.mix(this.placeOf(device), device.id) }]
      case 'pen':
        return this.pen(device)
      case 'light meter':
        return [{ quantity: 'illuminance', name: 'light', value: this.light(this.placeOf(device)) }]
      default:
        return []
    }
  }

  private placeOf({ body }: Stored<DeviceRecord>): Place {
    const places = withOutside(this.context.frame?.places ?? [])
    const tray = this.everything.trays.find(({ id }) => id === body.trayId)
    return places.find(({ id }) => id === (body.placeId ?? tray?.body.placeId)) ?? places[0]!
  }

  /** To the gram, with a flicker of half of one and a slow creep; an empty pan shows nothing but that. */
  private scale({ id, body }: Stored<DeviceRecord>, resolutionG: number): number {
    const noise = 0.5 * scatter(`${id} ${this.at.getTime()}`)
    const creep = CREEP_G * Math.sin(this.hour / 3 + seedOf(id))
    const tray = this.everything.trays.find((one) => one.id === body.trayId)
    const loaded = tray ? this.weightOf(tray) : 0
    return Math.round((loaded + noise + (loaded ? creep : 0)) / resolutionG) * resolutionG
  }
  /** What lies on the small pan: half a gram of powder, as it was spooned. */
  private pocket({ id }: Stored<DeviceRecord>): number {
    return Math.round((0.5 + 0.02 * scatter(`${id} ${this.at.getTime()}`)) * 100) / 100
  }

  /** What a tray really weighs: it dries at its own pace since it was last watered. */
  weightOf(tray: Stored<TrayRecord>): number {
    const water = this.waterOf(tray)
    if (!water) return 900
    const { followed } = water
    const computed = weightAt(followed, followed.now)
    const watered = water.wateringEvents.findLast(({ kind }) => kind === 'watered')
    const then = watered && followed.path.find(({ at }) => at >= watered.at)
    const goneG = then ? Math.max(0, 1000 * (then.waterL - followed.now.waterL)) : 0
    return computed - goneG * THIRST_SD * scatter(`thirst of ${tray.id}`)
  }
  private waterOf(tray: Stored<TrayRecord>) {
    const changes = changesByTray(this.everything.entries).get(tray.id) ?? []
    const stands = trayStands(tray.body, changes, this.context.crops)
    const own = waterByTray(
      this.everything.entries,
      this.everything.household.body.water,
      this.everything.trays,
    ).get(tray.id)
    return trayWater(tray, stands, own ?? [], this.context, this.moment())
  }
  private moment = (): Moment =>
    momentOf(this.today, `${pad(Math.floor(this.hour))}:${pad(Math.floor((this.hour % 1) * 60))}`)

  private airC(place: Place, of: string): number {
    const wave = Math.cos((2 * Math.PI * (this.hour - 15)) / 24)
    const draught = 0.4 * scatter(`${of} ${Math.floor(this.at.getTime() / 600_000)}`)
    const out = weatherOn(this.sky, this.today)
    const outside = (out.lowC + out.highC) / 2 + ((out.highC - out.lowC) / 2) * wave
    if (place.kind === 'outside') return outside + draught
    const kept = (place.dayC + place.nightC) / 2 + ((place.dayC - place.nightC) / 2) * wave
    // A frame or an unheated house follows the sky half way, and its night as the trade knows it.
    const night = nightIn(place, out.lowC)
    const followed = isIndoors(place) || night === null ? kept : Math.max(night, (kept + outside) / 2)
    return followed + draught
  }
  private air(place: Place, of: string): Value[] {
    const temperature = this.airC(place, of) + 0.05 * scatter(`${of} c ${this.at.getTime()}`)
    // Warmer air by day holds the same vapour: its humidity falls.
    const swing = -2.5 * (temperature - (place.dayC + place.nightC) / 2)
    const humidity = humidityOf(place).value * 100 + swing + 0.5 * scatter(`${of} h ${this.at.getTime()}`)
    return [
      { quantity: 'temperature', name: 'air', value: hundredth(temperature) },
      { quantity: 'humidity', name: 'humidity', value: hundredth(Math.min(99, Math.max(15, humidity))) },
    ]
  }

  private mix(place: Place, of: string): number {
    const air = this.airC(place, of)
    const wanted = place.heatC === null ? null : mixWarmth(place, place.heatC)
    const flicker = 0.03 * scatter(`${of} m ${this.at.getTime()}`)
    if (wanted === null || wanted <= air) return hundredth(air - 0.5 + flicker)
    const turn = Math.sin((2 * Math.PI * this.at.getTime()) / (TURN_MIN * 60_000))
    return hundredth(wanted + THERMOSTAT_C * turn + flicker)
  }

  private light(place: Place): number {
    const hours = lightMethodById(this.context.frame?.lightMethod ?? 'sixteen').hours
    const lit = this.hour >= LAMPS_FROM_H && this.hour < LAMPS_FROM_H + hours
    const lamp = place.light && lampOf(place.light)
    const day = Math.max(0, Math.sin((Math.PI * (this.hour - 6)) / 13))
    const sun = place.kind === 'outside' ? 45_000 * day : isIndoors(place) ? 900 * day : 22_000 * day
    const shone = lamp && lit ? ppfdAt(lamp, lampHeight(place.light!)).value * LUX_PER_PPFD : 0
    return Math.round((shone + sun) * (1 + 0.01 * scatter(`lux ${this.at.getTime()}`)))
  }

  /** In a tray it stands in what drained off; else in the jug that was mixed last. */
  private pen({ id, body }: Stored<DeviceRecord>): Value[] {
    const tap = this.everything.household.body.water?.ecMsPerCm ?? 0.4
    const tray = this.everything.trays.find((one) => one.id === body.trayId)
    const water = tray && this.waterOf(tray)
    const feeding = this.everything.feedings.at(-1)
    const measured = feeding ? 1 + 0.04 * scatter(`jug ${feeding.id}`) : 1
    const real = water
      ? water.followed.now.ecMsPerCm
      : tap + (feeding ? feeding.body.targetNMgPerL * measured * EC_PER_MG_N : 0)
    const days = body.calibratedAt
      ? Math.max(0, (this.at.getTime() - Date.parse(body.calibratedAt)) / 86_400_000)
      : NEVER_CALIBRATED_DAYS
    const drift = 1 - Math.min(MAX_DRIFT, DRIFT_PER_DAY * days)
    const noise = 1 + 0.004 * scatter(`${id} ec ${this.at.getTime()}`)
    return [
      { quantity: 'conductivity', name: 'ec', value: hundredth(real * drift * noise) },
      {
        quantity: 'acidity',
        name: 'ph',
        value: hundredth(6.2 + 0.3 * (1 - drift) + 0.02 * scatter(`${id} ph ${this.at.getTime()}`)),
      },
    ]
  }
}
const hundredth = (value: number) => Math.round(value * 100) / 100
const pad = (n: number) => String(n).padStart(2, '0')
