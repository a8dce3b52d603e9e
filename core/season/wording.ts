import { counted } from '../bench/wording'
import { printNumber } from '../units/format'
import type { PlannedRung, PlannedSowing } from './sowing'
import type { Job } from './today'

/** `2 × 72-cell tray`; `4 cells of a shared 24-cell tray`. */
export function containersText({
  fill,
  cells,
  placed,
}: Pick<PlannedRung, 'fill' | 'cells' | 'placed'>): string {
  const { container, count, plants } = fill
  const each = plants && plants > 1 ? `, ${plants} in each` : ''
  if (!placed?.sharesWith.length) return `${count} × ${container.name}${each}`
  const whole = Math.floor(cells / container.cells)
  const rest = `${counted(cells % container.cells, 'cell')} of a shared ${container.name}`
  return `${whole ? `${whole} × ${container.name} and ` : ''}${rest}${each}`
}

const DOING: Readonly<Record<PlannedRung['stage'], string>> = {
  sow: 'Sow',
  broadcast: 'Broadcast',
  'prick out': 'Prick out',
  'pot up': 'Pot up',
  harden: 'Begin to harden off',
  'set in': 'Set in its last container',
}

const names = (all: readonly string[]) =>
  all.length > 3 ? `${all.slice(0, 2).join(', ')} and ${all.length - 2} more` : [...new Set(all)].join(', ')

export interface JobWords {
  /** What is to be done, in one line. */
  readonly title: string
  /** How much, with what. */
  readonly detail: string
}

/** How the hand sows: seeds, cells, depth and cover, and what stands on the label first. */
function sowingText(
  { seeds, perCell }: PlannedSowing,
  rung: PlannedRung,
  name: string,
  length: (mm: number) => string,
): string {
  const { coverMm, coverMaterialId } = rung.fill
  const each = rung.stage === 'sow' && seeds > rung.cells ? `, ${perCell} in each cell` : ''
  const depth =
    coverMm === 0
      ? 'on the surface, pressed in'
      : `${length(coverMm)} deep${coverMaterialId === 'vermiculite' ? ', covered with vermiculite' : ''}`
  return `label it first: ${name}. ${counted(seeds, 'seed')}${each}, ${depth}; ${containersText(rung)}`
}

/**
 * A job in words.
 *
 * @param planned of the job's first sowing
 * @param nameOfMix the name of a recipe
 * @param say how the household says a volume and a length
 */
export function jobWords(
  job: Job,
  planned: PlannedSowing | undefined,
  nameOfMix: (recipeId: string) => string,
  say: { readonly volume: (l: number) => string; readonly length: (mm: number) => string },
): JobWords {
  const litres = say.volume
  const who = names(job.names)
  const rung = planned?.rungs[job.of[0]?.rung ?? -1]
  switch (job.kind) {
    case 'treat':
      return { title: `Treat the seed of ${who}`, detail: 'before it is sown' }
    case 'soak mix':
      return {
        title: `Soak coir for ${nameOfMix(job.mix!.recipeId)}`,
        detail: `for ${litres(job.mix!.looseL)} of mix for ${who}: the evening before, or half an hour before mixing`,
      }
    case 'make mix':
      return {
        title: `Make ${litres(job.mix!.looseL)} of ${nameOfMix(job.mix!.recipeId)}`,
        detail: `for ${who}${job.mix!.tubs > 1 ? `, in ${job.mix!.tubs} tubs` : ''}`,
      }
    case 'rung':
      return {
        title: `${DOING[job.stage!]} ${who}`,
        detail: !rung
          ? ''
          : job.stage === 'sow' || job.stage === 'broadcast'
            ? sowingText(planned!, rung, job.names[0] ?? '', say.length)
            : job.stage === 'harden'
              ? `${counted(rung.plants, 'plant')}, a little longer outside each day`
              : `${counted(rung.plants, 'plant')} into ${containersText(rung)}`,
      }
    case 'look':
      return { title: `See whether ${who} is up`, detail: 'count what came up' }
    case 'feed':
      return {
        title: `Feed ${who}`,
        detail: `${litres(job.feed!.solutionL)} at ${printNumber(job.feed!.nMgPerL)} mg/L of nitrogen${
          job.feed!.cans > 1 ? `, ${job.feed!.cans} cans` : ''
        }`,
      }
    case 'harden':
      return {
        title:
          job.hours === 24
            ? `Leave ${who} out overnight`
            : `${who} outside for ${counted(job.hours ?? 0, 'hour')}`,
        detail: 'hardening off',
      }
    case 'shelter':
      return {
        title: `Bring in or cover ${who} tonight`,
        detail: rung ? `it stands in ${rung.where.place.name}` : '',
      }
    case 'out':
      return { title: `Plant out ${who}`, detail: 'well watered, in the evening or under a grey sky' }
    case 'give up':
      return { title: `Give up on ${who}`, detail: 'it no longer stands on the shelf' }
  }
}
