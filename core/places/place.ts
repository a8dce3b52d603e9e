import { under, within, type Problem, wrongAt } from '../problem'
import { COVERS, placeKindById, PLACE_KINDS, type Cover, type PlaceKindId } from './place-kinds'
import { placeLightProblems, type PlaceLight } from './place-light'

/** Where trays stand: its room, its warmth, its light, and what lies over them until they are up. */
export interface Place {
  readonly id: string
  readonly name: string
  readonly kind: PlaceKindId
  /** Flats of 28 × 54 cm that fit; null where there is no end of room. */
  readonly flats: number | null
  /** Air by day and by night while seedlings stand there, °C. */
  readonly dayC: number
  readonly nightC: number
  /** Warmest a mat or heater keeps the mix, °C; null where nothing heats it. */
  readonly heatC: number | null
  /** null where nobody said: then no light is judged. */
  readonly light: PlaceLight | null
  readonly cover: Cover
  /** Relative humidity of its air, a fraction; by its kind where nothing is said. */
  readonly humidity?: number | null | undefined
  /** Its trays stand on a capillary mat or over a reservoir that holds so much, L; null where they are watered by hand. */
  readonly reservoirL?: number | null | undefined
}

/** Outside is always there, entered or not. */
export const OUTSIDE: Place = placeOf('outside', 'outside', 'Outside')

/**
 * A place of a kind as it is to begin with. A lamp is nobody's guess: only daylight is there by itself.
 *
 * @example placeOf('outside', 'o').kind // 'outside'
 */
export function placeOf(kindId: PlaceKindId, id: string, name?: string): Place {
  const { name: usual, flats, dayC, nightC, heatC, lightId, cover } = placeKindById(kindId)
  return {
    id,
    name: name ?? usual,
    kind: kindId,
    flats,
    dayC,
    nightC,
    heatC,
    light: lightId === null ? null : { kindId: lightId, count: 1, heightCm: null, measured: null },
    cover,
  }
}

/**
 * @example isIndoors({ kind: 'greenhouse' }) // false
 */
export const isIndoors = ({ kind }: Pick<Place, 'kind'>): boolean => placeKindById(kind).indoors

/** A night in there by the forecast, °C; null indoors, where it does not reach. */
export const nightIn = ({ kind }: Pick<Place, 'kind'>, forecastC: number): number | null => {
  const { indoors, nightAboveC } = placeKindById(kind)
  return indoors ? null : forecastC + nightAboveC
}

/** Half of a day is day [default]: a wet mix takes on the mean of its air. */
const meanC = ({ dayC, nightC }: Place) => (dayC + nightC) / 2

/**
 * How warm the mix of a tray is in there, °C: as warm as the seed wants it, as far as the heating goes; where nothing
 * heats it, as warm as the air is.
 *
 * @param wantedC best for the seed; null for plants, which stand as they are
 */
export function mixWarmth(place: Place, wantedC: number | null): number {
  const room = meanC(place)
  if (place.heatC === null || wantedC === null) return room
  return Math.max(room, Math.min(wantedC, place.heatC))
}

/** What is wrong with a household's places, each at its field. */
export function placesProblems(places: readonly Place[]): Problem[] {
  return places.flatMap((place, i) =>
    under(i, [
      ...(place.name.trim() ? [] : [wrongAt(['name'], 'nameMissing')]),
      ...(places.some(({ id, name }, j) => j < i && (id === place.id || same(name, place.name)))
        ? [wrongAt(['name'], 'nameTwice')]
        : []),
      ...(place.flats === null ? [] : within(['flats'], place.flats, 0, 2000)),
      ...within(['dayC'], place.dayC, -10, 45, '°C'),
      ...within(['nightC'], place.nightC, -20, 40, '°C'),
      ...(place.nightC > place.dayC ? [wrongAt(['nightC'], 'nightsWarmer')] : []),
      ...(place.heatC === null ? [] : within(['heatC'], place.heatC, 5, 40, '°C')),
      ...(place.humidity == null ? [] : within(['humidity'], place.humidity, 0.05, 1, 'share')),
      ...(place.reservoirL == null ? [] : within(['reservoirL'], place.reservoirL, 0, 500, 'L')),
      ...(COVERS.includes(place.cover) ? [] : [wrongAt(['cover'], 'unknown', { what: 'cover' })]),
      ...(PLACE_KINDS.some(({ id }) => id === place.kind)
        ? []
        : [wrongAt(['kind'], 'unknown', { what: 'kind of place' })]),
      ...(place.light ? under('light', placeLightProblems(place.light)) : []),
    ]),
  )
}

const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase()
