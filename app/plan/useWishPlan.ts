import { sayProblemOf } from '#shared/messages/refusals'
import { present } from '#core/present'
import { planSowing, type PlannedSowing } from '#core/season/schedule/sowing'
import type { Day } from '#core/calendar/day'
import type { Wish } from '#core/language/wish-said'
import type { SowingRecord } from '#shared/records/sowing'
import { asSowingRequest, sowingRecordProblems } from '#shared/derived/sowing-request'
import { startedLate } from '#shared/derived/late-start'
import { sowingsFrom } from '#shared/derived/wish'
import { wishStops } from '#shared/derived/wish-stops'

/** What is wished for in a sentence, planned as it would be kept: of each crop its sowings, and what follows from the first. */
export function useWishPlan(text: Ref<string>, kind: 'wish' | 'list' | 'groups' = 'wish') {
  const season = useSeason()
  const { printDay } = useDates()
  const reader = useReader<Wish>(kind, text)
  const wishes = computed(() => reader.meaning.value ?? [])
  const plans = computed(() => {
    const known = season.known
    if (!known || wishes.value.length === 0) return []
    const sowings = sowingsFrom({ meaning: wishes.value, heard: [], questions: [] }, known)
    return wishes.value.map((wish, i) => {
      const all = (sowings[i] ?? []).map((body) =>
        wish.sown ? body : startedLate(body, known, season.today),
      )
      const answers = all.length ? all.map((body) => answerOf(wish, body)) : [answerOf(wish, undefined)]
      const [first] = answers
      const sum = (of: (one: PlannedSowing) => number) =>
        answers.reduce((total, { answer }) => total + (answer ? of(answer) : 0), 0)
      return {
        ...{ wish, sowings: all },
        problem: answers.find(({ problem }) => problem !== null)?.problem ?? null,
        answer: answers.every(({ answer }) => answer !== null) ? (first?.answer ?? null) : null,
        totals: {
          seeds: sum(({ seeds }) => seeds),
          cells: sum(({ cells }) => cells),
          plants: all.reduce((total, { plants }) => total + plants, 0),
        },
      }
    })
  })
  function answerOf(wish: Wish, body: SowingRecord | undefined) {
    const known = present(season.known)
    if (!body) return { problem: 'That is more than a bench can raise.', answer: null }
    const [problem] = sowingRecordProblems(body, known)
    if (problem) return { problem: sayProblemOf(problem, 'sowings'), answer: null }
    try {
      const done: Record<string, Day> = wish.sown && body.sowOn ? { 'stage-0': body.sowOn } : {}
      const request = present(asSowingRequest(body, known, { done, notBefore: season.today }))
      return { problem: null, answer: planSowing(request, present(season.frame), known.book) }
    } catch (error) {
      if (error instanceof RangeError)
        return { problem: 'That is more than a bench can raise.', answer: null }
      throw error
    }
  }
  const ready = computed(() => plans.value.length > 0 && plans.value.every(({ answer }) => answer !== null))
  /** What is told before anything is planned, and wants a second press. */
  const stops = computed(() =>
    ready.value
      ? wishStops(
          plans.value.map(({ wish, sowings, answer }) => ({ wish, sowings, planned: present(answer) })),
          season.frame?.places ?? [],
          season.today,
          printDay,
        )
      : [],
  )
  return { ...reader, wishes, plans, ready, stops }
}
