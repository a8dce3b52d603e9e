import { useDates } from '~/kit/useDates'
import { useMeasures } from '~/kit/useMeasures'
import { useContext } from '~/household/context'
import { useSeason } from '~/plan/season'
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
