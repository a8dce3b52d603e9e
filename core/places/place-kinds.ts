/** What sort of place trays stand in, and what it is like where nobody measured [common practice]. */
export interface PlaceKind {
  readonly id: string
  readonly name: string
  /** What else it is called, in a sentence. */
  readonly alsoCalled: readonly string[]
  /** What to expect of it, in a line. */
  readonly what: string
  /** Under a roof that is lived in: frost and forecast do not reach it. */
  readonly indoors: boolean
  /** Flats of 28 × 54 cm; null where there is no end of room. */
  readonly flats: number | null
  /** Air by day and by night while seedlings stand there, °C. */
  readonly dayC: number
  readonly nightC: number
  /** Warmest a mat or heater keeps the mix, °C; null where nothing heats it. */
  readonly heatC: number | null
  /** A night in there is so much warmer than the forecast, °C; 0 indoors, where the forecast does not count. */
  readonly nightAboveC: number
  /** Light that comes of itself; null where a lamp has to be named. */
  readonly lightId: string | null
  /** What a new seed tray is covered with. */
  readonly cover: Cover
}

export const COVERS = ['none', 'dome', 'film'] as const
/** What lies over a tray until the seed is up. */
export type Cover = (typeof COVERS)[number]

const kind = <Id extends string>(
  id: Id,
  name: string,
  alsoCalled: readonly string[],
  what: string,
  rest: Omit<PlaceKind, 'id' | 'name' | 'what' | 'alsoCalled'>,
): PlaceKind & { readonly id: Id } => ({ id, name, alsoCalled, what, ...rest })

const INDOORS = { indoors: true, nightAboveC: 0, heatC: null, lightId: null, cover: 'none' } as const
const OUTDOORS = { indoors: false, heatC: null, cover: 'none', lightId: 'sky' } as const

/** Usual places [common practice; warmth of a heated home, and of spring outside]. */
export const PLACE_KINDS = [
  kind(
    'shelf',
    'Shelf',
    ['shelves', 'lamp', 'light', 'grow light', 'rack'],
    'Trays in a room, under lamps or near a window.',
    {
      ...INDOORS,
      flats: 4,
      dayC: 20,
      nightC: 18,
    },
  ),
  kind('mat', 'Heat mat', ['mat', 'heated mat'], 'Warm from below until the seed is up.', {
    ...INDOORS,
    flats: 1,
    dayC: 20,
    nightC: 18,
    heatC: 24,
    cover: 'dome',
  }),
  kind('propagator', 'Propagator', ['heated propagator', 'heated case'], 'A heated case with a lid.', {
    ...INDOORS,
    flats: 1,
    dayC: 20,
    nightC: 18,
    heatC: 24,
    cover: 'dome',
  }),
  kind('windowsill', 'Windowsill', ['window sill', 'sill', 'window'], 'Light from one side, cold at night.', {
    ...INDOORS,
    flats: 1,
    dayC: 20,
    nightC: 15,
    lightId: 'window-south',
  }),
  kind(
    'frame',
    'Cold frame',
    ['frame', 'coldframe'],
    'A lid of glass outside: no frost on a mild night, hot in the sun.',
    {
      ...OUTDOORS,
      flats: 6,
      dayC: 18,
      nightC: 7,
      nightAboveC: 3,
      lightId: 'glass',
    },
  ),
  kind(
    'greenhouse',
    'Greenhouse',
    ['glasshouse', 'polytunnel', 'tunnel'],
    'Light from all sides; as cold as its heating lets it be.',
    {
      ...OUTDOORS,
      flats: 12,
      dayC: 20,
      nightC: 8,
      nightAboveC: 3,
      lightId: 'glass',
    },
  ),
  kind('outside', 'Outside', ['outdoors', 'open air'], 'A table in the open.', {
    ...OUTDOORS,
    flats: null,
    dayC: 14,
    nightC: 7,
    nightAboveC: 0,
  }),
] as const
export type PlaceKindId = (typeof PLACE_KINDS)[number]['id']

/**
 * The kind of that id.
 *
 * @throws RangeError for one nobody knows
 * @example placeKindById('shelf').indoors // true
 */
export function placeKindById(id: string): PlaceKind & { readonly id: PlaceKindId } {
  const found = PLACE_KINDS.find((one) => one.id === id)
  if (!found) throw new RangeError(`kind: '${id}' is not known`)
  return found
}
