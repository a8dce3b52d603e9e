import type { BatchPlan, FillDemand, MaterialLine } from '../media/batch'
import { COVER_IS_THE_MIX } from '../media/batch'
import { materialById } from '../media/materials'
import { printFraction } from '../units/fraction'
import type { Step } from './step'
import { inSentence } from './wording'

/** From dry brick to filled tray, in the order of the hands. */
export function batchSteps(plan: BatchPlan, scoopName: string): Step[] {
  const scoops = (line: MaterialLine) =>
    `${printFraction(line.scoops.scoops.value, 0.25)} × ${inSentence(scoopName)}`
  const inMix = plan.lines.filter(({ share }) => share)
  return [
    ...plan.lines.flatMap(({ soak, material }): Step[] =>
      soak
        ? [
            {
              id: `soak-${material.id}`,
              title: 'Soak the coir',
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
    {
      id: 'measure',
      title: 'Measure into the tub',
      say: inMix.flatMap((line, index) => [
        index ? ', ' : '',
        { figure: line.scoops.scoops, words: scoops(line) },
        ` ${inSentence(line.material.name)} (`,
        line.looseL,
        ')',
      ]),
    },
    {
      id: 'stir',
      title: 'Stir',
      say: [
        'Until no streak is left, in a tub of at least ',
        plan.stirringTubL,
        '. A handful, squeezed, holds as a ball and does not drip.',
      ],
    },
    ...fillSteps(plan),
  ]
}

/** More kinds of container than this are listed in one step, so that a card stays one page. */
const FILLS_WITH_A_STEP_EACH = 4

function fillSteps({ fills }: BatchPlan): Step[] {
  if (fills.length > FILLS_WITH_A_STEP_EACH)
    return [
      {
        id: 'fill',
        title: `Fill ${fills.length} kinds of container`,
        say: fills.flatMap((demand, index) => [
          index ? '; ' : '',
          `${demand.fill.count} × ${demand.fill.container.name} `,
          demand.looseL,
          ...coverOf(demand),
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
      say: [looseL, how, ...coverOf(demand)],
    }
  })
}

function coverOf({ fill, coverL }: FillDemand): Step['say'] {
  if (!coverL) return []
  const cover =
    fill.coverMaterialId === COVER_IS_THE_MIX
      ? 'the mix'
      : inSentence(materialById(fill.coverMaterialId).name)
  return [` Leave ${fill.coverMm} mm free; after sowing cover with `, coverL, ` of ${cover}.`]
}
