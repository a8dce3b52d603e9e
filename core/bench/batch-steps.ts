import { COVER_IS_THE_MIX, type BatchRequest } from '../media/batch-request'
import type { BatchPlan, MaterialLine } from '../media/batch'
import type { FillDemand } from '../media/filling'
import type { Feel } from '../media/hydration'
import { COOL_ENOUGH_C } from '../media/hot-water'
import type { MixPlan } from '../media/mix-plan'
import type { ScoopCount } from '../media/scoops'
import { printFraction } from '../units/fraction'
import { given } from '../working/figure'
import { practice } from '../working/source'
import type { Step } from './step'
import { inSentence } from './wording'

/** A scoop that is further off than this is no measure for the material: litres are said instead. */
const TOO_COARSE = 0.15

type Said = Pick<BatchRequest, 'scoop' | 'feel' | 'preparations'>

/** From dry brick to filled tray, in the order of the hands. */
export function batchSteps(plan: BatchPlan, request: Said): Step[] {
  const hot = request.preparations.includes('hot water')
  const { lower } = plan
  return [
    ...plan.lines.flatMap((line) => soakStep(line, hot)),
    ...sieveStep(plan),
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
    ...(lower ? mixSteps(lower, request, 'lower', 'the lower mix', null) : []),
    ...mixSteps(plan, request, '', lower ? 'the upper mix' : 'the tub', plan),
    ...fillSteps(plan),
  ]
}

function soakStep({ soak, material }: MaterialLine, hot: boolean): Step[] {
  if (!soak) return []
  return [
    {
      id: `soak-${material.id}`,
      title: hot ? 'Soak the coir in boiling water, the evening before' : 'Soak the coir, the evening before',
      say: [
        soak.dryMassG,
        ' of dry coir into ',
        soak.waterL,
        hot ? ' of boiling water, in a heatproof tub of at least ' : ' of water, in a tub of at least ',
        soak.tubL,
        '. Pour most of the water, wait until it has swollen, add the rest only if dry fibre is left. ',
        hot ? 'Break it up with a spoon.' : 'Break it up.',
      ],
      waitMinutes: 30,
      theEveningBefore: true,
    },
  ]
}

function sieveStep({ lines }: BatchPlan): Step[] {
  const sieved = lines.filter(({ sieve }) => sieve)
  if (sieved.length === 0) return []
  return [
    {
      id: 'sieve',
      title: `Sieve through ${sieved[0]!.sieve!.meshMm} mm`,
      say: [
        ...sieved.flatMap(({ material, sieve, looseL }, index) => [
          index ? ' ' : '',
          sieve!.bagL,
          ` of ${inSentence(material.name)} gives `,
          looseL,
          '; ',
          sieve!.staysL,
          ' stays on the sieve',
          ...(sieve!.perliteLostL
            ? [', ', sieve!.perliteLostL, ' of it perlite: as much vermiculite or perlite puts the air back.']
            : ['.']),
        ]),
        ' What stays behind fills the foot of big pots.',
      ],
    },
  ]
}

function mixSteps(
  mix: MixPlan,
  request: Said,
  idPrefix: string,
  into: string,
  whole: BatchPlan | null,
): Step[] {
  const id = (name: string) => (idPrefix ? `${idPrefix}-${name}` : name)
  const tubPlan = whole?.tubPlan ?? null
  const { hotWater } = mix
  return [
    {
      id: id('measure'),
      title: tubPlan
        ? `Measure into ${into}, ${tubPlan.tubs.value} times`
        : into === 'the tub'
          ? 'Measure into the tub'
          : `Measure ${into} into a tub`,
      say: [
        ...mix.measures.flatMap(({ material, scoops }, index) => [
          index ? ', ' : '',
          ...said(tubPlan ? tubPlan.scoops[index]! : scoops, material.name, request),
        ]),
        '.',
        ...(whole?.extras ?? []).flatMap(({ material, massG, volumeMl }) => [
          ' ',
          massG,
          ' (',
          volumeMl,
          `) ${inSentence(material.name)}${tubPlan ? ' in all' : ''}.`,
        ]),
      ],
    },
    ...(hotWater
      ? [
          {
            id: id('hot-water'),
            title: 'Hot water',
            say: [
              'Boiling water over it in small amounts, stirred with a spoon, never a hand: ',
              mix.waterL,
              ', beside what the coir took. Cover it. The middle comes to about ',
              hotWater.reachesC,
              ` and is below ${COOL_ENOUGH_C} °C after some `,
              hotWater.coolHours,
              '; a thermometer decides.',
            ],
            waitMinutes: Math.max(30, Math.ceil(hotWater.coolHours.value * 2) * 30),
          },
        ]
      : []),
    {
      id: id('stir'),
      title: 'Stir',
      say: [
        'Until no streak is left, in a tub of at least ',
        whole?.stirringTubL ?? mix.ingredientsL,
        tubPlan ? ' or in as many goes.' : '.',
        ...(hotWater
          ? []
          : mix.waterL.value > 0.005
            ? [' Stir in about ', mix.waterL, ' of water, a little at a time.']
            : [' It needs no more water.']),
        ` It should feel like ${FEEL_WORDS[request.feel]}: a handful, squeezed, holds as a ball.`,
      ],
    },
  ]
}

function said(count: ScoopCount, material: string, { scoop }: Said): Step['say'] {
  const name = inSentence(material)
  if (Math.abs(count.roundingError.value) > TOO_COARSE) return [count.wantedL, ` ${name}`]
  const scoops = {
    figure: count.scoops,
    words: `${printFraction(count.scoops.value, 0.25)} × ${inSentence(scoop.name)}`,
  }
  return [scoops, ` ${name} (`, count.wantedL, ')']
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
          ...layersOf(demand),
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
      say: [...layersOf(demand), looseL, how, ...coverOf(demand, lines)],
    }
  })
}

function layersOf({ fill, lowerL }: FillDemand): Step['say'] {
  if (!lowerL) return []
  const top = given('Depth of the top layer', fill.topMm!, 'mm', practice())
  return [lowerL, ' of the lower mix first, then ', top, ' of the upper: ']
}

function coverOf({ fill, coverL }: FillDemand, lines: readonly MaterialLine[]): Step['say'] {
  if (!coverL) return []
  const covering = lines.find(({ material }) => material.id === fill.coverMaterialId)
  const cover =
    covering && fill.coverMaterialId !== COVER_IS_THE_MIX ? inSentence(covering.material.name) : 'the mix'
  return [` Leave ${fill.coverMm} mm free; after sowing cover with `, coverL, ` of ${cover}.`]
}
