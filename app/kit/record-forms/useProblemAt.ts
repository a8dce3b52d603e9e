import { messageAt, type AnyProblem } from '#shared/messages/refusals'

/** The message for a field, from the rules as they stand or from the server's refusal. */
export function useProblemAt<Body>(problems: () => readonly AnyProblem[], saving: Ref<Saving<Body>>) {
  return (field: string): string | undefined =>
    messageAt(problems(), field) ??
    (saving.value.state === 'refused'
      ? saving.value.errors.find((error) => error.field === field)?.message
      : undefined)
}
