import { counted } from '../bench/wording'
import { printNumber } from '../units/format'
import type { PlannedRung, PlannedSowing } from './sowing'
import type { Job } from './today'

/** `2 × 72-cell tray`. */
export const containersText = ({ fill }: Pick<PlannedRung, 'fill'>) =>
  `${fill.count} × ${fill.container.name}${fill.plants && fill.plants > 1 ? `, ${fill.plants} in each` : ''}`

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

/**
 * A job in words.
 *
 * @param planned of the job's first sowing
 * @param nameOfMix the name of a recipe
 * @param litres how the household says a volume
 */
export function jobWords(
  job: Job,
  planned: PlannedSowing | undefined,
  nameOfMix: (recipeId: string) => string,
  litres: (l: number) => string,
): JobWords {
  const who = names(job.names)
  const rung = planned?.rungs[job.of[0]?.rung ?? -1]
  switch (job.kind) {
    case 'treat':
      return { title: `Treat the seed of ${who}`, detail: 'before it is sown' }
    case 'soak mix':
      return {
        title: `Soak coir for ${nameOfMix(job.mix!.recipeId)}`,
        detail: `the evening before ${litres(job.mix!.looseL)} of mix for ${who}`,
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
            ? `${counted(planned!.seeds, 'seed')}, ${containersText(rung)}`
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
    case 'out':
      return { title: `Plant out ${who}`, detail: 'well watered, in the evening or under a grey sky' }
    case 'give up':
      return { title: `Give up on ${who}`, detail: 'it no longer stands on the shelf' }
  }
}
