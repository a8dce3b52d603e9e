import { COVER_IS_THE_MIX, feelOf, type BatchRequest, type Fill } from '../media/batch-request'
import type { BatchPlan, MaterialLine } from '../media/batch'
import type { FillDemand } from '../media/filling'
import type { Feel } from '../media/hydration'
import { COOL_ENOUGH_C, type HotWater } from '../media/hot-water'
import { isAlive } from '../media/material'
import type { MixPlan } from '../media/mix-plan'
import type { ScoopCount } from '../media/scoops'
import { MESH_NAMES } from '../media/sieve'
import { printFraction } from '../units/fraction'
import { printNumber } from '../units/format'
import { derive, given } from '../working/figure'
import { practice, yours } from '../working/source'
import type { Step } from './step'
import { counted, inSentence, withArticle } from './wording'

/** A scoop that is further off than this is no measure for the material: litres are said instead. */
const TOO_COARSE = 0.05

type Said = Pick<BatchRequest, 'scoop' | 'feel' | 'preparations'>

/** From dry brick to filled tray, in the order of the hands. */
export function batchSteps(plan: BatchPlan, request: Said): Step[] {
  const { lower } = plan
  return [
    ...cleanSteps(request),
    ...plan.lines.flatMap((line) => soakStep(line, plan.hotWater ?? lower?.hotWater ?? null)),
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
    ...fillSteps(plan, request),
  ]
}

/** Trays and tools before anything else; what is evidence and what is habit is said. */
function cleanSteps({ preparations }: Said): Step[] {
  const step = (
    id: 'wash' | 'disinfect' | 'scald tools',
    title: string,
    say: string,
    waitMinutes?: number,
  ): Step[] =>
    preparations.includes(id)
      ? [{ id: id.replace(' ', '-'), title, say: [say], ...(waitMinutes ? { waitMinutes } : {}) }]
      : []
  return [
    ...step(
      'wash',
      'Wash trays and tools',
      'Brush off what sticks, then warm water and washing-up liquid, and rinse. Dirt shields what a disinfectant should reach: this step does most of the work.',
    ),
    ...step(
      'disinfect',
      'Disinfect them',
      'Peroxide or bleach as its own label says, never both and never with another cleaner; gloves, eyes, an open window. Rinse and let dry. Worth it after damping-off; for trays that grew well, washing is as good a habit.',
      15,
    ),
    ...step(
      'scald tools',
      'Scald tools and what stands heat',
      'Boiling water over metal, glass and thick plastic; thin trays warp. Kills what lives on them, and is habit rather than need where they were washed.',
    ),
  ]
}

function soakStep(
  { soak, soakWholePacks, packs, pack, material }: MaterialLine,
  hot: HotWater | null,
): Step[] {
  if (!soak) return []
  const cools = hot?.of === 'coir' ? hot : null
  return [
    {
      id: `soak-${material.id}`,
      title: hot ? 'Soak the coir in boiling water' : 'Soak the coir',
      say: [
        soak.dryMassG,
        ' of dry coir into ',
        soak.waterL,
        hot ? ' of boiling water, in a heatproof tub of at least ' : ' of water, in a tub of at least ',
        soak.tubL,
        '. ',
        ...(soakWholePacks
          ? [
              `Or it whole: `,
              { figure: packs, words: `${printNumber(packs.value)} × ${pack.name}` },
              ' into ',
              soakWholePacks.waterL,
              ' gives ',
              soakWholePacks.fibreL,
              '. ',
            ]
          : []),
        'Pour most of it, let it swell, add the rest only where fibre stays dry. ',
        ...(cools
          ? ['Break it up with a spoon and cover it. ', ...comesTo(cools), ' Only then the rest goes in.']
          : [hot ? 'Break it up with a spoon; go on while it is hot.' : 'Break it up.']),
      ],
      // Coir for a hot mix is not left to cool: the mix goes on to it at once.
      waitMinutes: cools ? untilCool(cools) : hot ? 10 : 30,
    },
  ]
}

function sieveStep({ lines }: BatchPlan): Step[] {
  const sieved = lines.filter(({ sieve }) => sieve)
  if (sieved.length === 0) return []
  return [
    {
      id: 'sieve',
      title: `Sieve through ${MESH_NAMES[sieved[0]!.sieve!.meshMm]}`,
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
  const hotWater = mix.hotWater?.of === 'mix' ? mix.hotWater : null
  const measure = (one: 'all' | 'cooked' | 'alive'): Step['say'] =>
    mix.measures
      .map(({ material, scoops }, index) => ({ material, scoops: tubPlan ? tubPlan.scoops[index]! : scoops }))
      .filter(({ material }) => one === 'all' || isAlive(material) === (one === 'alive'))
      .flatMap(({ material, scoops }, index) => [index ? ', ' : '', ...said(scoops, material.name, request)])
  const extras: Step['say'] = (whole?.extras ?? []).flatMap(({ material, massG, volumeMl }) => [
    ' ',
    massG,
    ' (',
    volumeMl,
    `) ${inSentence(material.name)}${tubPlan ? ' in all' : ''}.`,
  ])
  const later = hotWater && mix.measures.some(({ material }) => isAlive(material))
  return [
    {
      id: id('measure'),
      title: tubPlan
        ? `Measure into ${into}, ${tubPlan.tubs.value} times`
        : into === 'the tub'
          ? 'Measure into the tub'
          : `Measure ${into} into a tub`,
      say: [...measure(later ? 'cooked' : 'all'), '.', ...(hotWater ? [] : extras)],
    },
    ...(hotWater
      ? [
          {
            id: id('hot-water'),
            title: 'Hot water',
            say: [
              'Boiling water over it in small amounts, stirred with a spoon, never a hand: ',
              mix.waterL,
              ', beside what the coir took. Cover it. ',
              ...comesTo(hotWater),
            ],
            waitMinutes: untilCool(hotWater),
          },
          ...(later || extras.length
            ? [
                {
                  id: id('alive'),
                  title: 'Once it has cooled, what is alive',
                  say: [...(later ? [...measure('alive'), '.'] : []), ...extras],
                },
              ]
            : []),
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
        ` It should feel like ${FEEL_WORDS[request.feel]}.`,
        ...handTest(mix, request.feel),
      ],
    },
  ]
}

const COOL = given('Cool enough for hands and seed', COOL_ENOUGH_C, '°C', practice())
/** How hot it gets, and when hands and seed are safe in it. */
const comesTo = ({ reachesC, coolHours }: HotWater): Step['say'] => [
  'The middle comes to about ',
  reachesC,
  ' and is below ',
  COOL,
  ' after about ',
  coolHours,
  '; a thermometer, or the back of a hand held to it, decides.',
]
/** In half hours, as people wait. */
const untilCool = ({ coolHours }: HotWater) => Math.max(30, Math.ceil(coolHours.value * 2) * 30)

/** Of the mix: a splash of water where it is too dry, dry stuff where it is too wet [common practice]. */
const SPLASH = 0.03
const DRY = 0.1

/** Three tests by hand: what each shows, and what to do either way, in litres for this tub [common practice]. */
function handTest({ mixL }: MixPlan, feel: Feel): Step['say'] {
  const part = (name: string, share: number) =>
    derive(
      name,
      'L',
      'V * k',
      { V: mixL, k: given(name, share, 'share', practice('by the handful')) },
      ({ V, k }) => V * k,
    )
  const [splash, dry] = [part('A splash of water', SPLASH), part('Dry mix to stir in', DRY)]
  const tests =
    feel === 'soil block'
      ? [
          'spread, it holds its edge',
          'tipped off a trowel, it slides in one piece',
          'a trial block stands when nudged',
        ]
      : ['squeezed, a ball and no drip', 'tapped, it breaks in two or three', 'pressed flat, no shine']
  return [` Right: ${tests.join('; ')}. Too dry: `, splash, ' more water; too wet: ', dry, ' of dry mix.']
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

function fillSteps({ fills, lines }: BatchPlan, request: Said): Step[] {
  if (fills.length > FILLS_WITH_A_STEP_EACH)
    return [
      {
        id: 'fill',
        title: `Fill ${fills.length} kinds of container`,
        say: fills.flatMap((demand, index) => [
          index ? '; ' : '',
          `${whatIsFilled(demand.fill)} `,
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
    const feel = feelOf(fill, request)
    return {
      id: `fill-${index}`,
      title: `Fill ${whatIsFilled(fill)}`,
      say: [
        ...(feel === request.feel ? [] : [`Make this part like ${FEEL_WORDS[feel]}. `]),
        ...layersOf(demand),
        looseL,
        how,
        ...coverOf(demand, lines),
      ],
    }
  })
}

/** `2 × 72-cell tray`; `5 cells of a 24-cell tray` where a tray is shared. */
const whatIsFilled = ({ count, cells, container }: Fill): string =>
  cells == null || cells > count * container.cells - 0.5
    ? `${count} × ${container.name}`
    : `${counted(Math.max(1, Math.round(cells)), 'cell')} of ${withArticle(container.name)}`

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
  const depth = given('Depth of the cover', fill.coverMm, 'mm', yours())
  return [' Leave ', depth, ' free; after sowing cover with ', coverL, ` of ${cover}.`]
}
