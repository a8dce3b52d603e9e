import { dangerWords, jobWords } from '#shared/messages/jobs'
import type { Danger, Job } from '#core/season/today/job'

/** A job in words, and what is wrong where it is in danger. */
export function useJobWords() {
  const season = useSeason()
  const context = useContext()
  const saying = useSaying()

  return {
    words: (job: Job) => jobWords(job, season.row, context.nameOfMix, saying.value),
    dangerText: (danger: Danger) => dangerWords(danger, saying.value),
  }
}
