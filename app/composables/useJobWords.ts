import { useDates } from '~/composables/useDates'
import { useMeasures } from '~/composables/useMeasures'
import { useContext } from '~/state/context'
import { useSeason } from '~/state/season'
import { jobWords } from '#core/season/today/wording'
import type { Danger, Job } from '#core/season/today/job'
import { printNumber } from '#core/units/format'

/** A job in words, and what is wrong where it is in danger. */
export function useJobWords() {
  const season = useSeason()
  const context = useContext()
  const { printDay } = useDates()
  const { volume, length, temperature } = useMeasures()

  const words = (job: Job) =>
    jobWords(job, season.row(job.of[0]?.sowingId ?? ''), context.nameOfMix, { volume, length, temperature })

  function dangerText(danger: Danger): string {
    switch (danger.kind) {
      case 'no-show':
        return danger.verdict === 'sow again'
          ? `Expected ${printDay(danger.expected)}; twice the days are over. Sow again.`
          : `Expected ${printDay(danger.expected)} and not up: too cold, too deep, too old, or light and dark wrong.`
      case 'nights too cold':
        return `A night of ${temperature(danger.nightC)} is ahead; below ${temperature(danger.lowestC)} it suffers. Keep it in.`
      case 'shelf full':
        return `${danger.place} is full from ${printDay(danger.on)}: ${printNumber(danger.flats)} flats.`
    }
  }
  return { words, dangerText }
}
