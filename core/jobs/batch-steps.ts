import { present } from '../present'
import { at as elementAt, first } from '../numeric/at'
import { COVER_IS_THE_MIX, feelOf, type BatchRequest, type Fill } from '../media/batch-request'
import type { BatchPlan, MaterialLine } from '../media/batch'
import type { FillDemand } from '../media/filling'
import type { Feel } from '../media/hydration'
import { coolTest, bagTest, feelTest, rightFeel } from './hand-test'
import type { CautionId } from '../cautions/caution'
import { COOL_ENOUGH_C, type HotWater } from '../media/hot-water'
import { isAlive } from '../media/material'
import type { MixPlan } from '../media/mix-plan'
import type { ScoopCount } from '../media/scoops'
import { MESH_NAMES } from '../media/sieve'
import { printFraction } from '../units/fraction'
import { packsOf } from '../supplies/pack-said'
import { given, type Figure } from '../working/figure'
import { practice, yours } from '../working/source'
import type { Step } from './step'
import { counted, inSentence, withArticle } from '../text/plurals'

/** A scoop that is further off than this is no measure for the material: litres are said instead. */
const TOO_COARSE = 0.05

type Said = Pick<BatchRequest, 'scoop' | 'feel' | 'preparations'>

/** From dry brick to filled tray, in the order of the hands. */
export function batchSteps(plan: BatchPlan, request: Said): Step[] {
  const { lower } = plan
  return withCautions(plan, [
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
  ])
}

/** Where each hazard of a batch arises: the first step whose name begins so. */
const ARISES: Partial<Record<CautionId, readonly string[]>> = {
  cleaners: ['disinfect', 'wash'],
  scald: ['soak', 'hot-water', 'scald'],
  dust: ['soak', 'moisten', 'sieve', 'lower-measure', 'measure'],
  asbestos: ['lower-measure', 'measure', 'fill'],
  microbes: ['sieve', 'lower-measure', 'measure'],
  salts: ['fill'],
}

/** Every caution of a plan stands in the step where its hazard arises; what arises nowhere, in the first. */
function withCautions(plan: BatchPlan, steps: readonly Step[]): Step[] {
  const at = new Map<string, CautionId[]>()
  for (const caution of plan.cautions) {
    const step = (ARISES[caution] ?? []).flatMap(
      (name) => steps.find((one) => one.id.startsWith(name)) ?? [],
    )[0]
    const key = (step ?? steps[0])?.id
    if (key) at.set(key, [...(at.get(key) ?? []), caution])
  }
  return steps.map((step) => (at.has(step.id) ? { ...step, cautions: present(at.get(step.id)) } : step))
}

/** To soak only: what is done on the evening before. */
export const soakSteps = (plan: BatchPlan, request: Said): Step[] =>
  batchSteps(plan, request).filter(({ id }) => id.startsWith('soak-') || id === 'moisten')

/** Trays and tools cleaned by themselves, before a season or after one. */
export const cleaningSteps = (): Step[] => [
  ...cleanSteps({ preparations: ['wash', 'disinfect', 'scald tools'] }).map((step) =>
    step.id === 'disinfect'
      ? { ...step, cautions: ['cleaners'] as const }
      : step.id === 'scald-tools'
        ? { ...step, cautions: ['scald'] as const }
        : step,
  ),
  {
    id: 'dry',
    title: 'Rinse and dry',
    say: ['Rinse until nothing smells, and let them dry in the air, upside down.'],
    right: 'no film, no smell, no earth in the corners',
    picture: { kind: 'wash' },
  },
]

/** Trays and tools before anything else; what is evidence and what is habit is said. */
function cleanSteps({ preparations }: Pick<Said, 'preparations'>): Step[] {
  const step = (
    id: 'wash' | 'disinfect' | 'scald tools',
    title: string,
    say: string,
    waitMinutes?: number,
  ): Step[] =>
    preparations.includes(id)
      ? [
          {
            id: id.replace(' ', '-'),
            title,
            say: [say],
            picture: { kind: 'wash' },
            ...(waitMinutes ? { waitMinutes, waitFor: title } : {}),
          },
        ]
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
      'Scald tools and anything heatproof',
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
              { figure: packs, words: packsOf(packs.value, pack.name) },
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
      waitFor: cools ? 'Coir has cooled' : 'Coir has swollen',
      amount: [soak.waterL, hot ? ' boiling' : ' of water'],
      picture: { kind: 'tub', filled: Math.min(0.6, soak.fibreL.value / soak.tubL.value), of: 'A tub' },
      right: 'no dry fibre left in the middle, and no water standing on it',
      together: true,
      ...(cools ? { test: coolTest } : {}),
      // What a brick gave here is what the next plan goes by: both are asked, for nobody knows how much was soaked.
      asks: [
        { key: 'coirG', label: 'Dry coir that was soaked', dimension: 'mass', expected: null },
        { key: 'fibreL', label: 'It came to, loosened', dimension: 'volume', expected: null },
      ],
    },
  ]
}

function sieveStep({ lines }: BatchPlan): Step[] {
  const sieved = lines.flatMap((line) => (line.sieve ? [{ ...line, sieve: line.sieve }] : []))
  if (sieved.length === 0) return []
  return [
    {
      id: 'sieve',
      picture: { kind: 'sieve' },
      title: `Sieve through ${MESH_NAMES[first(sieved).sieve.meshMm]}`,
      say: [
        ...sieved.flatMap(({ material, sieve, looseL }, index) => [
          index ? ' ' : '',
          sieve.bagL,
          ` of ${inSentence(material.name)} gives `,
          looseL,
          '; ',
          sieve.staysL,
          ' stays on the sieve',
          ...(sieve.perliteLostL
            ? [', ', sieve.perliteLostL, ' of it perlite: as much vermiculite or perlite puts the air back.']
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
      .map(({ material, scoops }, index) => ({
        material,
        scoops: tubPlan ? elementAt(tubPlan.scoops, index) : scoops,
      }))
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
      amount: [mix.mixL, ' of mix'],
      picture: {
        kind: 'scoops',
        of: mix.measures
          .map(({ material, scoops }, index) => ({
            materialId: material.id,
            name: material.name,
            scoops: (tubPlan ? elementAt(tubPlan.scoops, index) : scoops).scoops.value,
          }))
          .slice(0, 8),
      },
      ...(mix.measures.some(({ material }) => material.bagged) ? { test: bagTest } : {}),
    },
    ...(hotWater
      ? hotWaterSteps(id, mix.waterL, hotWater, [...(later ? [...measure('alive'), '.'] : []), ...extras])
      : []),
    stirStep(id('stir'), mix, request, whole),
  ]
}

/** Boiling water over the mix, and what is alive stirred in once it has cooled. */
const hotWaterSteps = (
  id: (name: string) => string,
  waterL: Figure,
  hotWater: HotWater,
  alive: Step['say'],
): Step[] => [
  {
    id: id('hot-water'),
    title: 'Hot water',
    say: [
      'Boiling water over it in small amounts, stirred with a spoon, never a hand: ',
      waterL,
      ', beside what the coir took. Cover it. ',
      ...comesTo(hotWater),
    ],
    waitMinutes: untilCool(hotWater),
    waitFor: 'The mix has cooled',
    amount: [waterL, ' boiling'],
    picture: { kind: 'thermometer', belowC: COOL_ENOUGH_C },
  },
  ...(alive.length
    ? [
        {
          id: id('alive'),
          title: 'Once it has cooled, what is alive',
          say: alive,
          test: coolTest,
          picture: { kind: 'thermometer' as const, belowC: COOL_ENOUGH_C },
        },
      ]
    : []),
]

/** Less water than this, L, is not worth stirring in. */
const MIN_STIRRED_L = 0.005

/** Stirring, with the water that a mix without hot water still needs. */
function stirStep(id: string, mix: MixPlan, { feel }: Said, whole: BatchPlan | null): Step {
  const isHot = mix.hotWater?.of === 'mix'
  const isWetted = !isHot && mix.waterL.value > MIN_STIRRED_L
  const water: Step['say'] = isWetted
    ? [' Stir in about ', mix.waterL, ' of water, a little at a time.']
    : [' It needs no more water.']
  const asks: NonNullable<Step['asks']> = [
    { key: 'waterL', label: 'Water really stirred in', dimension: 'volume', expected: mix.waterL.value },
    ...(whole
      ? [{ key: 'mixedL', label: 'In the tub now, levelled', dimension: 'volume' as const, expected: null }]
      : []),
  ]
  return {
    id,
    title: 'Stir',
    say: [
      'Until no streak is left, in a tub of at least ',
      whole?.stirringTubL ?? mix.ingredientsL,
      whole?.tubPlan ? ' or in as many goes.' : '.',
      ...(isHot ? [] : water),
      ` It should feel like ${FEEL_WORDS[feel]}.`,
    ],
    ...(isWetted && { amount: [mix.waterL, ' of water'] }),
    picture: { kind: 'squeeze' },
    right: rightFeel(feel),
    test: feelTest(mix.mixL, feel),
    ...(!isHot && { asks }),
  }
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
      amount: [looseL],
      picture: {
        kind: 'cell',
        depthMm: fill.container.shape.depthMm,
        freeMm: fill.coverMm > 0 ? fill.coverMm : 0,
        dentMm: 0,
        seeds: 0,
        coverMm: 0,
      },
      right:
        fill.container.kind === 'block'
          ? 'the block holds together and keeps its edges'
          : 'level, springy under a finger, and full in the corners too',
      asks: [
        {
          key: 'filled',
          label: `Really filled, ${fill.container.kind === 'tray' ? 'cells' : 'of them'}`,
          expected: Math.round(demand.cells.value),
        },
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
  const top = given('Depth of the top layer', present(fill.topMm), 'mm', practice())
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
