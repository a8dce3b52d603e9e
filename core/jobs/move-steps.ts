import { PER_LITRE } from '../season/schedule/final-care'
import { given } from '../working/figure'
import { byDefault, yours } from '../working/source'
import { rootTest } from './hand-test'
import { yesNo, type Step } from './step'

/** Plants that are moved on, from their cells into bigger ones. */
export interface MoveRequest {
  readonly kind: 'prick out' | 'pot up'
  readonly name: string
  readonly plants: number
  readonly plantsEach: number
  readonly container: string
  readonly containers: number
  readonly cellDepthMm: number
  /** Whether it roots from a buried stem. */
  readonly buryStem: boolean
  readonly place: string
  /** Strength of the weak feed that eases the move, mg/L of nitrogen; null where the method gives none. */
  readonly nMgPerL: number | null
}

/** The step in which plants are counted by tap. */
export const MOVED_STEP = 'move'

/** From filled cell to plant that has settled [common practice]. */
export function moveSteps(request: MoveRequest): Step[] {
  const { kind, name, plants, plantsEach, container, containers, buryStem, place, nMgPerL } = request
  return [
    {
      id: 'label',
      kind: 'label new',
      values: { name },
      picture: { kind: 'label', lines: [name] },
      workMinutes: 5,
      together: true,
    },
    {
      id: 'ready',
      kind: 'ready',
      values: { containers, container, holes: Math.ceil(plants / Math.max(1, plantsEach)) },
      picture: {
        kind: 'cell',
        depthMm: request.cellDepthMm,
        freeMm: 0,
        dentMm: request.cellDepthMm * 0.6,
        seeds: 0,
        coverMm: 0,
      },
    },
    ...(kind === 'pot up'
      ? [
          {
            id: 'roots',
            kind: 'roots' as const,
            test: rootTest,
            picture: { kind: 'plant' as const, bury: false, lift: true },
            workMinutes: 3,
          },
        ]
      : []),
    {
      id: MOVED_STEP,
      kind: 'move',
      values: { name, plants, pricked: yesNo(kind === 'prick out'), bury: yesNo(buryStem), each: plantsEach },
      picture: { kind: 'plant', bury: buryStem, lift: kind === 'prick out' },
      count: { of: plants },
    },
    {
      id: 'settle',
      kind: 'settle',
      values: {
        fed: yesNo(!!nMgPerL),
        ...(nMgPerL
          ? {
              strength: given(
                'Nitrogen of a weak feed',
                nMgPerL,
                'mg/L',
                byDefault('by the household’s method'),
              ),
            }
          : {}),
      },
      picture: { kind: 'soak', stands: 0, how: 'above' },
      workMinutes: 5,
    },
    {
      id: 'shade',
      kind: 'shade',
      values: { place },
      picture: { kind: 'cover', cover: 'none', warm: false },
      workMinutes: 3,
    },
  ]
}

/** A plant’s last container. */
export interface FinalRequest {
  readonly name: string
  readonly plants: number
  readonly container: string
  readonly containerL: number
  readonly depthMm: number
  readonly fruits: boolean
  readonly place: string
}

/** Left free at the rim for water, mm [common practice]. */
const RIM_MM = 30
const MULCH_MM = 20

/** Fill to the line, food in the hole, stake, mulch, label [common practice]. */
export function finalSteps({
  name,
  plants,
  container,
  containerL,
  depthMm,
  fruits,
  place,
}: FinalRequest): Step[] {
  const each = (what: string, share: number) =>
    given(what, containerL * share, 'L', byDefault('a cup of castings and ¼ cup of granular feed to 5 gal'))
  const castings = each('Castings in each hole', PER_LITRE['top-dress'])
  const granular = each('Granular feed in each hole', PER_LITRE.granular)
  return [
    {
      id: 'label',
      kind: 'label plants',
      values: { name, labels: plants },
      picture: { kind: 'label', lines: [name] },
      workMinutes: 5,
      together: true,
    },
    {
      id: 'fill',
      kind: 'fill to line',
      values: { plants, container, rim: given('Free at the rim', RIM_MM, 'mm', yours('room for water')) },
      picture: { kind: 'cell', depthMm, freeMm: RIM_MM, dentMm: 0, seeds: 0, coverMm: 0 },
      cautions: ['microbes', 'lifting'],
    },
    {
      id: 'hole',
      kind: 'feed hole',
      values: { castings, granular },
      picture: { kind: 'hole', castings: true, stake: false },
      cautions: ['fertiliser'],
    },
    {
      id: MOVED_STEP,
      kind: 'set in',
      values: { name, plants },
      picture: { kind: 'plant', bury: false, lift: false },
      count: { of: plants },
    },
    ...(fruits
      ? [
          {
            id: 'stake',
            kind: 'stake' as const,
            picture: { kind: 'hole' as const, castings: false, stake: true },
          },
        ]
      : []),
    {
      id: 'mulch',
      kind: 'mulch',
      values: { mulch: given('Mulch', MULCH_MM, 'mm', yours('straw, leaves or bark')) },
      picture: { kind: 'soak', stands: 0, how: 'above' },
    },
    {
      id: 'place',
      kind: 'place out',
      values: { place },
      workMinutes: 5,
      picture: { kind: 'cover', cover: 'none', warm: false },
    },
  ]
}
