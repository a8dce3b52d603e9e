/*
 * Writers of one household take turns before they take a connection, so that a household that is held up holds up one
 * connection of the pool and not all of them.
 */
const last = new Map<string, Promise<unknown>>()

/** Run when those before are through, whatever became of them. */
export function inHouseholdQueue<Answer>(householdId: string, run: () => Promise<Answer>): Promise<Answer> {
  const before = last.get(householdId) ?? Promise.resolve()
  const mine = before.then(run, run)
  const settled = mine
    .catch(() => undefined)
    .then(() => {
      if (last.get(householdId) === settled) last.delete(householdId)
    })
  last.set(householdId, settled)
  return mine
}
