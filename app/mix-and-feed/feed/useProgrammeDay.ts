import { addDays } from '#core/calendar/day'

/** A day of the feeding schedule in words: the calendar's where it is known when the plants came up, else counted. */
export function useProgrammeDay() {
  const programme = useProgrammeDraft()
  const { printDay } = useDates()
  return (day: number) => {
    const { startOn } = programme.draft
    return startOn ? printDay(addDays(startOn, day)) : `day ${day}`
  }
}
