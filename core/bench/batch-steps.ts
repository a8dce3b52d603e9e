import type { BatchPlan, BatchRequest, FillDemand, MaterialLine } from '../media/batch'
import type { Feel } from '../media/hydration'
import { COVER_IS_THE_MIX } from '../media/batch'
import { printFraction } from '../units/fraction'
import type { Step } from './step'
import { inSentence } from './wording'

/** A scoop that is further off than this is no measure for the material: litres are said instead. */
const TOO_COARSE = 0.15

/** From dry brick to filled tray, in the order of the hands. */
export function batchSteps(
  plan: BatchPlan,
  request: Pick<BatchRequest, 'scoop' | 'feel' | 'preparations'>,
): Step[] {
  const scoop = inSentence(request.scoop.name)
  const inMix = plan.lines.filter(({ share }) => share)
  const { tubPlan } = plan
  return [
    ...plan.lines.flatMap(({ soak, material }): Step[] =>
      soak
        ? [
            {
              id: `soak-${material.id}`,
              title: 'Soak the coir, the evening before',
              say: [
                soak.dryMassG,
                ' of dry coir into ',
                soak.waterL,
                ' of water, in a tub of at least ',
                soak.tubL,
                '. Pour most of the water, wait until it has swollen, add the rest only if dry fibre is left. Break it up.',
              ],
              waitMinutes: 30,
            },
          ]
        : [],
    ),
    ...(request.preparations.includes('sieve')
      ? [
          {
            id: 'sieve',
            title: 'Sieve',
            say: ['Compost, loam and bagged mix through 6 mm. What stays on the sieve fills big pots.'],
          },
        ]
      : []),
    ...(request.preparations.includes('moisten')
      ? [
          {
            id: 'moisten',
            title: 'Moisten',
            say: [
              'Dry peat and dry bagged mix a little, and leave them to take it up: once stirred in dry, they shed water.',
            ],
          },
        ]
      : []),
    {
      id: 'measure',
      title: tubPlan ? `Measure into the tub, ${tubPlan.tubs.value} times` : 'Measure into the tub',
      say: [
        ...inMix.flatMap((line, index) => {
          const count = tubPlan ? tubPlan.scoops[index]! : line.scoops
          const name = inSentence(line.material.name)
          const separator = index ? ', ' : ''
          if (Math.abs(count.roundingError.value) > TOO_COARSE) return [separator, count.wantedL, ` ${name}`]
          const scoops = {
            figure: count.scoops,
            words: `${printFraction(count.scoops.value, 0.25)} × ${scoop}`,
          }
          return [separator, scoops, ` ${name} (`, count.wantedL, ')']
        }),
        '.',
        ...plan.extras.flatMap(({ material, massG, volumeMl }) => [
          ' ',
          massG,
          ' (',
          volumeMl,
          `) ${inSentence(material.name)}${tubPlan ? ' in all' : ''}.`,
        ]),
      ],
    },
    ...(request.preparations.includes('hot water')
      ? [
          {
            id: 'hot-water',
            title: 'Hot water',
            say: [
              'Boiling water over it in small amounts, stirred with a spoon, never a hand. Cover it. Wait until the middle is below 30 °C.',
            ],
            waitMinutes: 720,
          },
        ]
      : []),
    {
      id: 'stir',
      title: 'Stir',
      say: [
        'Until no streak is left, in a tub of at least ',
        plan.stirringTubL,
        tubPlan ? ' or in as many goes.' : '.',
        ...(plan.waterL.value > 0.005
          ? [' Stir in about ', plan.waterL, ' of water, a little at a time.']
          : [' It needs no more water.']),
        ` It should feel like ${FEEL_WORDS[request.feel]}: a handful, squeezed, holds as a ball.`,
      ],
    },
    ...fillSteps(plan),
  ]
}

/** What the hand feels. */
export const FEEL_WORDS: Readonly<Record<Feel, string>> = {
  damp: 'a damp cloth',
  'wrung-out sponge': 'a wrung-out sponge',
  cake: 'moist cake',
  'soil block': 'peanut butter',
}

/** More kinds of container than this are listed in one step, so that a card stays one page. */
const FILLS_WITH_A_STEP_EACH = 4

function fillSteps({ fills, lines }: BatchPlan): Step[] {
  if (fills.length > FILLS_WITH_A_STEP_EACH)
    return [
      {
        id: 'fill',
        title: `Fill ${fills.length} kinds of container`,
        say: fills.flatMap((demand, index) => [
          index ? '; ' : '',
          `${demand.fill.count} × ${demand.fill.container.name} `,
          demand.looseL,
          ...coverOf(demand, lines),
        ]),
      },
    ]
  return fills.map((demand, index): Step => {
    const { fill, looseL } = demand
    const how =
      fill.container.kind === 'block'
        ? ' in all. Press, and release onto a tray.'
        : ' in all. Fill loosely, drop the tray twice, refill what sank, level.'
    return {
      id: `fill-${index}`,
      title: `Fill ${fill.count} × ${fill.container.name}`,
      say: [looseL, how, ...coverOf(demand, lines)],
    }
  })
}

function coverOf({ fill, coverL }: FillDemand, lines: readonly MaterialLine[]): Step['say'] {
  if (!coverL) return []
  const covering = lines.find(({ material }) => material.id === fill.coverMaterialId)
  const cover =
    covering && fill.coverMaterialId !== COVER_IS_THE_MIX ? inSentence(covering.material.name) : 'the mix'
  return [` Leave ${fill.coverMm} mm free; after sowing cover with `, coverL, ` of ${cover}.`]
}
