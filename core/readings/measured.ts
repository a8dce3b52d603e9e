import { QUANTITIES, type Quantity } from './kinds'
import type { ResolvedRecord } from './senml'

/** A value in the unit its quantity is kept in, at a whole second. */
export interface Reading {
  readonly quantity: Quantity
  /** What is left of the name after the last colon or slash: tells two probes of one device apart. */
  readonly name: string
  readonly atMs: number
  readonly value: number
}

/** Units of the registry that a bench needs, and what each is in the unit that is kept. [std: IANA SenML Units Registry] */
const UNITS: Readonly<Record<string, readonly [Quantity, (value: number) => number]>> = {
  kg: ['mass', (kg) => kg * 1000],
  g: ['mass', (g) => g],
  Cel: ['temperature', (c) => c],
  K: ['temperature', (k) => k - 273.15],
  '%RH': ['humidity', (percent) => percent],
  'S/m': ['conductivity', (sPerM) => sPerM * 10],
  pH: ['acidity', (ph) => ph],
  lx: ['illuminance', (lux) => lux],
}
/** The unit of the registry each quantity is sent out in, and its value there. */
export const SENT_AS: Readonly<Record<Quantity, readonly [unit: string, of: (value: number) => number]>> = {
  mass: ['kg', (g) => g / 1000],
  temperature: ['Cel', (c) => c],
  humidity: ['%RH', (percent) => percent],
  conductivity: ['S/m', (msPerCm) => msPerCm / 10],
  acidity: ['pH', (ph) => ph],
  illuminance: ['lx', (lux) => lux],
}

/** Seconds since 1970 that a reading can be of: until the year 2100. */
const LAST_S = Date.UTC(2100, 0, 1) / 1000

/** A reading; null for a text, a switch or a sum, which a bench keeps nothing of. @throws RangeError for another unit */
export function readingOf({ name, unit, atS, value }: ResolvedRecord): Reading | null {
  if (typeof value !== 'number') return null
  const known = unit === null ? undefined : UNITS[unit]
  if (!known)
    throw new RangeError(
      unit === null
        ? `${name} has no unit. Units are those of the SenML registry: ${Object.keys(UNITS).join(', ')}.`
        : `“${unit}” is no unit a bench reads. Of the SenML registry it reads ${Object.keys(UNITS).join(', ')}.`,
    )
  const [quantity, kept] = known
  const rounded = Math.round(kept(value) * 1e6) / 1e6
  if (Math.abs(rounded) > 1e7)
    throw new RangeError(`${name}: ${value} ${unit} is no ${QUANTITIES[quantity].name.toLowerCase()}.`)
  if (!(atS >= 0 && atS < LAST_S)) throw new RangeError(`${name}: ${atS} is no time of a reading.`)
  return {
    quantity,
    name: (name.split(/[:/]/).at(-1) ?? '').slice(0, 40),
    atMs: Math.floor(atS) * 1000,
    value: rounded,
  }
}
