import { useDates } from '~/composables/useDates'
import { useMeasures } from '~/composables/useMeasures'
import { useContext } from '~/state/context'
import { useSeason } from '~/state/season'
import { dangerWords, jobWords } from '#core/season/today/wording'
import type { Danger, Job } from '#core/season/today/job'

/** A job in words, and what is wrong where it is in danger. */
export function useJobWords() {
  const season = useSeason()
  const context = useContext()
  const { printDay } = useDates()
  const { volume, length, temperature } = useMeasures()

  return {
    words: (job: Job) =>
      jobWords(job, season.row(job.of[0]?.sowingId ?? ''), context.nameOfMix, {
        volume,
        length,
        temperature,
      }),
    dangerText: (danger: Danger) => dangerWords(danger, { day: printDay, temperature }),
  }
}
