import { present } from '../present'
import { at as elementAt, first } from '../numeric/at'
import { COVER_IS_THE_MIX, feelOf, type BatchRequest, type Fill } from '../media/batch-request'
import type { BatchPlan, MaterialLine } from '../media/batch'
import type { FillDemand } from '../media/filling'
import { bagTest, coolTest, feelTest } from './hand-test'
import type { CautionId } from '../cautions/caution'
import { COOL_ENOUGH_C, type HotWater } from '../media/hot-water'
import { isAlive } from '../media/material'
import type { MixPlan } from '../media/mix-plan'
import type { ScoopCount } from '../media/scoops'
import { MESH_NAMES } from '../media/sieve'
import { given, type Figure } from '../working/figure'
import { practice, yours } from '../working/source'
import { told, yesNo, type Fact, type Facts, type Step, type Told } from './step'

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
    ...(request.preparations.includes('moisten') ? [{ id: 'moisten', kind: 'moisten' } as const] : []),
    ...(lower ? mixSteps(lower, request, 'lower', 'lower', null) : []),
    ...mixSteps(plan, request, '', lower ? 'upper' : 'tub', plan),
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
  { id: 'dry', kind: 'dry', picture: { kind: 'wash' } },
]

/** Trays and tools before anything else; what is evidence and what is habit is said. */
const CLEANING = [
  { id: 'wash', kind: 'wash' },
  { id: 'disinfect', kind: 'disinfect', waitMinutes: 15 },
  { id: 'scald-tools', kind: 'scald tools' },
] as const satisfies readonly Step[]
const cleanSteps = ({ preparations }: Pick<Said, 'preparations'>): Step[] =>
  CLEANING.filter(({ kind }) => preparations.includes(kind)).map((step) => ({
    ...step,
    picture: { kind: 'wash' },
  }))

function soakStep(
  { soak, soakWholePacks, packs, pack, material }: MaterialLine,
  hot: HotWater | null,
): Step[] {
  if (!soak) return []
  const cools = hot?.of === 'coir' ? hot : null
  return [
    {
      id: `soak-${material.id}`,
      kind: 'soak',
      values: {
        hot: cools ? 'cools' : hot ? 'now' : 'no',
        dry: soak.dryMassG,
        water: soak.waterL,
        tub: soak.tubL,
        whole: told(
          soakWholePacks
            ? [
                {
                  kind: 'whole packs',
                  values: {
                    packs: { packs, of: pack.name },
                    water: soakWholePacks.waterL,
                    fibre: soakWholePacks.fibreL,
                  },
                },
              ]
            : [],
        ),
        ...(cools ? { comesTo: comesTo(cools) } : {}),
      },
      // Coir for a hot mix is not left to cool: the mix goes on to it at once.
      waitMinutes: cools ? untilCool(cools) : hot ? 10 : 30,
      picture: { kind: 'tub', filled: Math.min(0.6, soak.fibreL.value / soak.tubL.value), of: 'a tub' },
      together: true,
      ...(cools ? { test: coolTest } : {}),
      // What a brick gave here is what the next plan goes by: both are asked, for nobody knows how much was soaked.
      asks: [
        { key: 'coirG', dimension: 'mass', expected: null },
        { key: 'fibreL', dimension: 'volume', expected: null },
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
      kind: 'sieve',
      values: {
        mesh: present(MESH_NAMES[first(sieved).sieve.meshMm]),
        sieved: told(
          sieved.map(({ material, sieve, looseL }) => ({
            kind: 'sieved',
            values: {
              bag: sieve.bagL,
              material: material.name,
              loose: looseL,
              stays: sieve.staysL,
              perlite: yesNo(sieve.perliteLostL !== null),
              ...(sieve.perliteLostL ? { lost: sieve.perliteLostL } : {}),
            },
          })),
          ' ',
        ),
      },
    },
  ]
}

function mixSteps(
  mix: MixPlan,
  request: Said,
  idPrefix: string,
  into: 'tub' | 'upper' | 'lower',
  whole: BatchPlan | null,
): Step[] {
  const id = (name: string) => (idPrefix ? `${idPrefix}-${name}` : name)
  const tubPlan = whole?.tubPlan ?? null
  const hotWater = mix.hotWater?.of === 'mix' ? mix.hotWater : null
  const measured = (one: 'all' | 'cooked' | 'alive'): Fact =>
    told(
      mix.measures
        .map(({ material, scoops }, index) => ({
          material,
          scoops: tubPlan ? elementAt(tubPlan.scoops, index) : scoops,
        }))
        .filter(({ material }) => one === 'all' || isAlive(material) === (one === 'alive'))
        .map(({ material, scoops }) => amountOf(scoops, material.name, request)),
      ', ',
    )
  const added = whole?.extras ?? []
  const extras = told(
    added.map(({ material, massG, volumeMl }) => ({
      kind: 'extra',
      values: { mass: massG, volume: volumeMl, material: material.name, inAll: yesNo(tubPlan !== null) },
    })),
  )
  const later = hotWater && mix.measures.some(({ material }) => isAlive(material))
  return [
    {
      id: id('measure'),
      kind: 'measure',
      values: {
        into,
        times: tubPlan?.tubs.value ?? 0,
        measured: measured(later ? 'cooked' : 'all'),
        extras: hotWater ? told([]) : extras,
        mix: mix.mixL,
      },
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
      ? hotWaterSteps(
          id,
          mix.waterL,
          hotWater,
          later || added.length > 0 ? { later: yesNo(!!later), measured: measured('alive'), extras } : null,
        )
      : []),
    stirStep(id('stir'), mix, request, whole),
  ]
}

/** Boiling water over the mix, and what is alive stirred in once it has cooled. */
const hotWaterSteps = (
  id: (name: string) => string,
  waterL: Figure,
  hotWater: HotWater,
  alive: Facts | null,
): Step[] => [
  {
    id: id('hot-water'),
    kind: 'hot water',
    values: { water: waterL, comesTo: comesTo(hotWater) },
    waitMinutes: untilCool(hotWater),
    picture: { kind: 'thermometer', belowC: COOL_ENOUGH_C },
  },
  ...(alive
    ? [
        {
          id: id('alive'),
          kind: 'alive' as const,
          values: alive,
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
  const asks: NonNullable<Step['asks']> = [
    { key: 'waterL', dimension: 'volume', expected: mix.waterL.value },
    ...(whole ? [{ key: 'mixedL', dimension: 'volume' as const, expected: null }] : []),
  ]
  return {
    id,
    kind: 'stir',
    values: {
      tub: whole?.stirringTubL ?? mix.ingredientsL,
      goes: yesNo(!!whole?.tubPlan),
      wet: isHot ? 'hot' : yesNo(isWetted),
      water: mix.waterL,
      feel,
    },
    picture: { kind: 'squeeze' },
    test: feelTest(mix.mixL, feel),
    ...(!isHot && { asks }),
  }
}

const COOL = given('Cool enough for hands and seed', COOL_ENOUGH_C, '°C', practice())
/** How hot it gets, and when hands and seed are safe in it. */
const comesTo = ({ reachesC, coolHours }: HotWater): Fact =>
  told([{ kind: 'comes to', values: { reaches: reachesC, cool: COOL, hours: coolHours } }])
/** In half hours, as people wait. */
const untilCool = ({ coolHours }: HotWater) => Math.max(30, Math.ceil(coolHours.value * 2) * 30)

/** In scoops, or in litres where a scoop is too coarse. */
const amountOf = (count: ScoopCount, material: string, { scoop }: Said): Told =>
  Math.abs(count.roundingError.value) > TOO_COARSE
    ? { kind: 'litres', values: { litres: count.wantedL, material } }
    : {
        kind: 'scoops',
        values: { scoops: { scoops: count.scoops, of: scoop.name }, material, litres: count.wantedL },
      }

/** More kinds of container than this are listed in one step, so that a card stays one page. */
const FILLS_WITH_A_STEP_EACH = 4

function fillSteps({ fills, lines }: BatchPlan, request: Said): Step[] {
  if (fills.length > FILLS_WITH_A_STEP_EACH)
    return [
      {
        id: 'fill',
        kind: 'fill many',
        values: {
          n: fills.length,
          fills: told(
            fills.map((demand) => ({
              kind: 'fill of',
              values: {
                what: whatIsFilled(demand.fill),
                layers: layersOf(demand),
                loose: demand.looseL,
                cover: coverOf(demand, lines),
              },
            })),
            '; ',
          ),
        },
      },
    ]
  return fills.map((demand, index): Step => {
    const { fill, looseL } = demand
    const feel = feelOf(fill, request)
    return {
      id: `fill-${index}`,
      kind: 'fill',
      values: {
        what: whatIsFilled(fill),
        otherFeel: yesNo(feel !== request.feel),
        feel,
        layers: layersOf(demand),
        loose: looseL,
        block: yesNo(fill.container.kind === 'block'),
        tray: yesNo(fill.container.kind === 'tray'),
        cover: coverOf(demand, lines),
      },
      picture: {
        kind: 'cell',
        depthMm: fill.container.shape.depthMm,
        freeMm: fill.coverMm > 0 ? fill.coverMm : 0,
        dentMm: 0,
        seeds: 0,
        coverMm: 0,
      },
      asks: [{ key: 'filled', expected: Math.round(demand.cells.value) }],
    }
  })
}

/** `2 × 72-cell tray`; `5 cells of a 24-cell tray` where a tray is shared. */
const whatIsFilled = ({ count, cells, container }: Fill): Fact =>
  told([
    cells == null || cells > count * container.cells - 0.5
      ? { kind: 'containers', values: { count, container: container.name } }
      : { kind: 'cells of', values: { cells: Math.max(1, Math.round(cells)), container: container.name } },
  ])

function layersOf({ fill, lowerL }: FillDemand): Fact {
  if (!lowerL) return told([])
  const top = given('Depth of the top layer', present(fill.topMm), 'mm', practice())
  return told([{ kind: 'layers', values: { lower: lowerL, top } }])
}

function coverOf({ fill, coverL }: FillDemand, lines: readonly MaterialLine[]): Fact {
  if (!coverL) return told([])
  const depth = given('Depth of the cover', fill.coverMm, 'mm', yours())
  const covering = lines.find(({ material }) => material.id === fill.coverMaterialId)
  return told([
    covering && fill.coverMaterialId !== COVER_IS_THE_MIX
      ? { kind: 'cover with', values: { depth, cover: coverL, material: covering.material.name } }
      : { kind: 'cover with mix', values: { depth, cover: coverL } },
  ])
}
