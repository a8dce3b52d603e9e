import { lightOfDay } from '../places/place-light'
import type { PlaceKindId } from '../places/place-kinds'
import { isIndoors, mixWarmth, type Place } from '../places/place'
import { byDefault, handbook, yours, type Source } from '../working/source'
import type { Climate } from './evaporation'

/** What is not written down of a place: humidity, light, and how still its air is [default]. */
const USUAL: Readonly<Record<PlaceKindId, { humidity: number; lightMol: number; airResistance: number }>> = {
  shelf: { humidity: 0.5, lightMol: 8, airResistance: 250 },
  mat: { humidity: 0.5, lightMol: 6, airResistance: 250 },
  propagator: { humidity: 0.8, lightMol: 6, airResistance: 350 },
  windowsill: { humidity: 0.5, lightMol: 6, airResistance: 250 },
  frame: { humidity: 0.7, lightMol: 14, airResistance: 200 },
  greenhouse: { humidity: 0.7, lightMol: 16, airResistance: 160 },
  // FAO-56: 208 / u, in a wind of 2 m/s.
  outside: { humidity: 0.65, lightMol: 25, airResistance: 104 },
}
/** A hot spell is drier too: the deficit is that of the day’s warmth with the morning’s vapour [default]. */
const HOT_HUMIDITY = 0.45

/** Relative humidity of a place, as a fraction, with where it comes from. */
export const humidityOf = ({ humidity, kind }: Place): { value: number; source: Source } =>
  humidity != null
    ? { value: humidity, source: yours('the place as you described it') }
    : { value: USUAL[kind].humidity, source: byDefault('by the kind of place; a hygrometer says it better') }

/** From such a day on, shade and water in the morning are advised, °C [default]. */
export const HOT_DAY_C = 25

/**
 * The air and light trays stand in.
 *
 * @param lampHours the lamps burn in a day
 * @param hotC the hottest day ahead by the forecast, °C; reaches only what is not under a lived-in roof
 */
export function climateOf(place: Place, lampHours: number, hotC: number | null = null): Climate {
  const usual = USUAL[place.kind]
  const hot = hotC !== null && !isIndoors(place) && hotC > place.dayC
  return {
    dayC: hot ? hotC : place.dayC,
    nightC: place.nightC,
    humidity: hot ? Math.min(HOT_HUMIDITY, humidityOf(place).value) : humidityOf(place).value,
    lightMol: place.light ? lightOfDay(place.light, lampHours).value : usual.lightMol,
    airResistance: usual.airResistance,
  }
}

/** How much warmer than its air a mat keeps the mix, °C; 0 where nothing heats it. */
export const mixAboveAir = (place: Place, wantedC: number | null): number =>
  Math.max(0, mixWarmth(place, wantedC) - (place.dayC + place.nightC) / 2)

/** Where the resistances come from. */
export const AIR_SOURCE = handbook('still rooms 200–400 s/m, wind by FAO-56, 208/u')
