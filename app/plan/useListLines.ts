import { sayProblemOf } from '#shared/messages/refusals'
import type { Wish } from '#core/language/wish-said'
import { sowingRecordProblems } from '#shared/derived/sowing-request'
import { sowingsFrom } from '#shared/derived/wish'

/** A list of what is growing, line by line: what each comes to, and why it cannot be kept yet. */
export function useListLines(text: Ref<string>) {
  const season = useSeason()
  const reader = useReader<Wish>('list', text)
  const lines = computed(() => {
    const { known } = season
    const read = reader.shown.value
    if (!read || !known) return []
    return read.lines.map(({ text: line, meaning }, index) => {
      const questions = read.questions.filter((one) => one.line === index)
      const wishes = meaning as readonly Wish[]
      const sowings = sowingsFrom({ meaning: wishes, heard: [], questions }, known)
      const plans = wishes.map((wish, i) => ({ wish, sowings: sowings[i] ?? [] }))
      const problem = plans.flatMap((plan) =>
        plan.sowings.flatMap((one) => sowingRecordProblems(one, known)),
      )[0]
      const open =
        questions[0]?.question ??
        (problem && sayProblemOf(problem, 'sowings')) ??
        (plans.every(({ wish }) => wish.sown) ? null : 'When was it sown? Say it like: sown 13 March.')
      return { line, plans, open, asked: questions.length > 0 }
    })
  })
  return {
    lines,
    shown: reader.shown,
    /** One line said anew. */
    say: (index: number, anew: string) => {
      text.value = lines.value.map(({ line }, i) => (i === index ? anew : line)).join('\n')
    },
  }
}
