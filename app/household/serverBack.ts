const ASK_MS = 2000
const SLOWEST_MS = 15_000

let asking = false
const wanted = new Set<() => unknown>()

/** What is to be done once a server that did not answer answers again: a page that was open goes on by itself. */
export function onceServerIsBack(run: () => unknown): void {
  wanted.add(run)
  if (asking) return
  asking = true
  ask(ASK_MS)
}

function ask(pauseMs: number): void {
  setTimeout(async () => {
    const answered = await fetch('/api/ready').then(
      ({ ok }) => ok,
      () => false,
    )
    if (!answered) return ask(Math.min(SLOWEST_MS, pauseMs * 1.3))
    asking = false
    const all = [...wanted]
    wanted.clear()
    for (const one of all) await one()
  }, pauseMs)
}
