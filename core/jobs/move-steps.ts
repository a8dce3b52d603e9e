import { PER_LITRE } from '../season/schedule/final-care'
import { given } from '../working/figure'
import { byDefault, yours } from '../working/source'
import { rootTest } from './hand-test'
import type { Step } from './step'
import { counted, withArticle } from '../text/plurals'

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
  const { kind, name, plants, plantsEach, container, containers, buryStem, place } = request
  const pots = Math.ceil(plants / Math.max(1, plantsEach))
  return [
    {
      id: 'label',
      title: 'Label first',
      say: [`${name}, and today’s date, on the label of each new tray, before the first is lifted.`],
      picture: { kind: 'label', lines: [name] },
      workMinutes: 5,
      together: true,
    },
    {
      id: 'ready',
      title: `Ready ${containers === 1 ? withArticle(container) : `${containers} × ${container}`}`,
      say: [`${counted(pots, 'hole')}, wide enough for the roots to hang straight.`],
      amount: [`${pots} holes`],
      picture: {
        kind: 'cell',
        depthMm: request.cellDepthMm,
        freeMm: 0,
        dentMm: request.cellDepthMm * 0.6,
        seeds: 0,
        coverMm: 0,
      },
      right: 'mix damp, level and not pressed',
    },
    ...(kind === 'pot up'
      ? [
          {
            id: 'roots',
            title: 'Look at the roots',
            say: ['Push one out from below and look.'],
            test: rootTest,
            picture: { kind: 'plant' as const, bury: false, lift: true },
            workMinutes: 3,
          },
        ]
      : []),
    {
      id: MOVED_STEP,
      title: kind === 'prick out' ? `Lift and set ${name}` : `Pot up ${name}`,
      say: [
        kind === 'prick out'
          ? 'Hold a seed leaf, never the stem; ease the roots up with a pencil. '
          : 'Push it out from below. ',
        buryStem
          ? 'Set it deep, up to its seed leaves: it roots from its stem. '
          : 'Set it as deep as it stood: buried, it rots. ',
        plantsEach > 1 ? `${plantsEach} in each. ` : '',
        'Firm with two fingers, no harder than a page is held. Tap for each.',
      ],
      amount: [counted(plants, 'plant')],
      picture: { kind: 'plant', bury: buryStem, lift: kind === 'prick out' },
      right: 'a gentle tug on a leaf does not lift it',
      count: { of: plants, one: 'plant' },
    },
    {
      id: 'settle',
      title: 'Water it in',
      say: [
        'A gentle rose until the mix has closed round the roots',
        ...(request.nMgPerL
          ? [
              ', with a weak feed of ',
              given(
                'Nitrogen of a weak feed',
                request.nMgPerL,
                'mg/L',
                byDefault('by the household’s method'),
              ),
              ' of nitrogen',
            ]
          : []),
        '.',
      ],
      picture: { kind: 'soak', stands: 0, how: 'above' },
      workMinutes: 5,
    },
    {
      id: 'shade',
      title: `To ${place}`,
      say: ['Out of strong light for two days; upright again by the third.'],
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
      title: 'Label first',
      say: [`${name} and today’s date, on ${counted(plants, 'label')}.`],
      picture: { kind: 'label', lines: [name] },
      workMinutes: 5,
      together: true,
    },
    {
      id: 'fill',
      title: `Fill ${plants} × ${container} to the line`,
      say: [
        'To ',
        given('Free at the rim', RIM_MM, 'mm', yours('room for water')),
        ' below the rim, dropped once, not pressed.',
      ],
      amount: [`${plants} ×`],
      picture: { kind: 'cell', depthMm, freeMm: RIM_MM, dentMm: 0, seeds: 0, coverMm: 0 },
      cautions: ['microbes', 'lifting'],
    },
    {
      id: 'hole',
      title: 'Food into the hole',
      say: [
        'A hole two hands wide. Into each: ',
        castings,
        ' of castings and ',
        granular,
        ' of granular feed, no more than its label allows; worked into the mix, a finger of plain mix over it.',
      ],
      amount: [castings, ' + ', granular],
      picture: { kind: 'hole', castings: true, stake: false },
      right: 'no grain touches a root',
      cautions: ['fertiliser'],
    },
    {
      id: MOVED_STEP,
      title: `Set ${name} in`,
      say: ['Well watered before. Loosen circling roots. Firm it in. Tap for each.'],
      amount: [counted(plants, 'plant')],
      picture: { kind: 'plant', bury: false, lift: false },
      count: { of: plants, one: 'plant' },
    },
    ...(fruits
      ? [
          {
            id: 'stake',
            title: 'Stake it now',
            say: [
              'Now, while it hurts no root; a loose eight of string. A cap on the tip of a stake saves an eye.',
            ],
            picture: { kind: 'hole' as const, castings: false, stake: true },
          },
        ]
      : []),
    {
      id: 'mulch',
      title: 'Mulch, and water',
      say: [
        given('Mulch', MULCH_MM, 'mm', yours('straw, leaves or bark')),
        ' of straw, leaf or bark, not against the stem; water until it runs out below.',
      ],
      picture: { kind: 'soak', stands: 0, how: 'above' },
    },
    {
      id: 'place',
      title: `To ${place}`,
      say: ['Level, and out of the wind for the first days.'],
      workMinutes: 5,
      picture: { kind: 'cover', cover: 'none', warm: false },
    },
  ]
}
