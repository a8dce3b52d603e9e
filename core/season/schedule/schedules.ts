import { at as elementAt } from '../../numeric/at'
import { cellVolume, type Container } from '../../containers/container'
import { wholeWithin, within, type Problem, wrongAt } from '../../problem'

/** What happens to the plants at the start of a stage. */
export const STAGE_KINDS = ['sow', 'broadcast', 'prick out', 'pot up', 'harden', 'set in'] as const
export type StageKind = (typeof STAGE_KINDS)[number]

/** One stage. What is null follows: the container from the stage before, days, feed, light and warmth from the stage. */
export interface ScheduleStage {
  readonly kind: StageKind
  readonly containerId: string | null
  readonly recipeId: string | null
  /** Plants set together in each cell or pot; one where nothing is said, and in the first stage, where seeds are counted. */
  readonly plantsEach?: number | null | undefined
  /** Where it stands; where nothing is said, where such plants stand by habit. */
  readonly placeId?: string | null | undefined
  /** Where the seed stands until it is up; on the mat where it wants the warmth, and nothing is said. */
  readonly upPlaceId?: string | null | undefined
  /** A part of it that stands in another place, a fraction. */
  readonly elsewhere?: { readonly placeId: string; readonly share: number } | null | undefined
  /** Part of the weeks under cover; hardening and the final container have their own days. */
  readonly part: number
  readonly days: number | null
  /** Strength of the feed, mg/L of nitrogen, and days between feeds. */
  readonly nMgPerL: number | null
  readonly everyDays: number | null
  readonly lightHours: number | null
  /** Of the mix, °C. */
  readonly mixC: number | null
}

export interface Schedule {
  readonly id: string
  readonly name: string
  readonly stages: readonly ScheduleStage[]
}

/** The recipes the schedules are written with; a household's own take their place. */
export const SEED_MIX = 'lean-and-light'
export const POT_MIX = 'stretched-potting'
const FINAL_MIX = 'final-container'

/** A stage as the built-in schedules write it. */
export const stage = (
  kind: StageKind,
  containerId: string | null,
  recipeId: string | null,
  part = 0,
): ScheduleStage => ({
  kind,
  containerId,
  recipeId,
  part,
  days: null,
  nMgPerL: null,
  everyDays: null,
  lightHours: null,
  mixC: null,
})
const HARDEN = stage('harden', null, null)

/** Usual ways from seed to the ground [common practice]; a household changes any stage. */
export const SCHEDULES: readonly Schedule[] = [
  { id: 'cell', name: 'One cell, then out', stages: [stage('sow', 'tray-72', SEED_MIX, 1), HARDEN] },
  {
    id: 'cell-pot',
    name: 'Cell, then a pot',
    stages: [stage('sow', 'tray-72', SEED_MIX, 0.5), stage('pot up', 'pot-10cm', POT_MIX, 0.5), HARDEN],
  },
  {
    id: 'plug-cell',
    name: 'Plug, then a cell',
    stages: [stage('sow', 'tray-200', SEED_MIX, 0.45), stage('prick out', 'tray-50', SEED_MIX, 0.55), HARDEN],
  },
  {
    id: 'plug-pack',
    name: 'Plug, then a six-pack',
    stages: [
      stage('sow', 'tray-200', SEED_MIX, 0.45),
      stage('prick out', 'six-pack', SEED_MIX, 0.55),
      HARDEN,
    ],
  },
  {
    id: 'broadcast',
    name: 'Broadcast, prick out, pot',
    stages: [
      stage('broadcast', 'half-open-tray', SEED_MIX, 0.35),
      stage('prick out', 'six-pack', SEED_MIX, 0.3),
      stage('pot up', 'pot-2.5in', POT_MIX, 0.35),
      HARDEN,
    ],
  },
  { id: 'pot', name: 'Straight into a pot', stages: [stage('sow', 'pot-2.5in', SEED_MIX, 1), HARDEN] },
  {
    id: 'paper',
    name: 'A paper pot, planted whole',
    stages: [stage('sow', 'paper-5cm', SEED_MIX, 1), HARDEN],
  },
  { id: 'clump', name: 'A clump in a cell', stages: [stage('sow', 'tray-72', SEED_MIX, 1), HARDEN] },
  {
    id: 'cell-pot-pot',
    name: 'Cell, pot, bigger pot',
    stages: [
      stage('sow', 'tray-128', SEED_MIX, 0.35),
      stage('pot up', 'pot-2.5in', POT_MIX, 0.3),
      stage('pot up', 'pot-10cm', POT_MIX, 0.35),
      HARDEN,
    ],
  },
  {
    id: 'block-block',
    name: 'Block, bigger block',
    stages: [
      stage('sow', 'block-0.75in', 'farm-compost', 0.35),
      stage('pot up', 'block-2in', 'farm-compost', 0.65),
      HARDEN,
    ],
  },
  {
    id: 'cell-pot-bucket',
    name: 'Cell, cup, 5 gal bucket',
    stages: [
      stage('sow', 'tray-50', SEED_MIX, 0.5),
      stage('pot up', 'cup-pint', POT_MIX, 0.5),
      HARDEN,
      stage('set in', 'bucket-5gal', FINAL_MIX),
    ],
  },
]

/**
 * @throws RangeError for an unknown id
 * @example scheduleById('cell').id // 'cell'
 * @example scheduleById('none') // throws RangeError
 */
export function scheduleById(id: string): Schedule {
  const found = SCHEDULES.find((schedule) => schedule.id === id)
  if (!found) throw new RangeError(`schedule: '${id}' is not known`)
  return found
}

/** What is wrong with a schedule's stages, each at its field. */
export function scheduleProblems(
  stages: readonly ScheduleStage[],
  findContainer: (id: string) => Container | undefined,
): Problem[] {
  const [first] = stages
  const opens = first?.kind === 'sow' || first?.kind === 'broadcast'
  return [
    ...(opens && first.containerId ? [] : [wrongAt([], 'beginsWithSowing')]),
    ...stages.flatMap((one, i) => [
      ...(i > 0 && (one.kind === 'sow' || one.kind === 'broadcast')
        ? [wrongAt([i, 'kind'], 'sownTwice')]
        : []),
      ...(one.containerId !== null && !findContainer(one.containerId)
        ? [wrongAt([i, 'containerId'], 'unknown', { what: 'container' })]
        : []),
      ...shrinks(stages, i, findContainer),
      ...(one.plantsEach == null ? [] : wholeWithin([i, 'plantsEach'], one.plantsEach, 1, 50)),
      ...(one.elsewhere ? within([i, 'elsewhere', 'share'], one.elsewhere.share, 0.01, 0.99, 'share') : []),
      ...(one.days === null ? [] : wholeWithin([i, 'days'], one.days, 1, 200, 'days')),
      ...(one.nMgPerL === null ? [] : within([i, 'nMgPerL'], one.nMgPerL, 0, 1000, 'mg/L of nitrogen')),
      ...(one.everyDays === null || one.everyDays === 0
        ? []
        : within([i, 'everyDays'], one.everyDays, 1, 60, 'days, or 0 for never')),
      ...(one.lightHours === null ? [] : within([i, 'lightHours'], one.lightHours, 0, 24, 'hours')),
      ...(one.mixC === null ? [] : within([i, 'mixC'], one.mixC, 5, 40, '°C')),
    ]),
  ]
}

/** A schedule only climbs: the next cell holds no less than the one before, broadcast trays aside. */
function shrinks(
  stages: readonly ScheduleStage[],
  index: number,
  findContainer: (id: string) => Container | undefined,
): Problem[] {
  const at = (i: number) => {
    const id = stages[i]?.containerId
    return id ? findContainer(id) : undefined
  }
  const here = at(index)
  if (!here || index === 0) return []
  for (let i = index - 1; i >= 0; i--) {
    const before = at(i)
    if (!before || elementAt(stages, i).kind === 'broadcast') continue
    return cellVolume(here).value < cellVolume(before).value
      ? [wrongAt([index, 'containerId'], 'smallerPot', { here: here.name, before: before.name })]
      : []
  }
  return []
}

/** The recipes a household sows and pots up with. */
export interface UsualMixes {
  readonly seed: string
  readonly pot: string
}

/** The stages of a schedule with a household's own mixes in the place of those it is written with; the same again for the same. */
export function stagesWith(scheduleId: string, { seed, pot }: UsualMixes): readonly ScheduleStage[] {
  const { stages } = scheduleById(scheduleId)
  if (seed === SEED_MIX && pot === POT_MIX) return stages
  const own: Readonly<Record<string, string>> = { [SEED_MIX]: seed, [POT_MIX]: pot }
  const key = `${scheduleId} ${seed} ${pot}`
  const made =
    inOwnMixes.get(key) ??
    stages.map((one) => ({ ...one, recipeId: own[one.recipeId ?? ''] ?? one.recipeId }))
  inOwnMixes.set(key, made)
  return made
}
const inOwnMixes = new Map<string, readonly ScheduleStage[]>()
