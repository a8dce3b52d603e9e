import { expose } from 'comlink'
import { searchWays } from '#core/feed/planner'
import { findMixes, type FinderRequest } from '#core/media/finder'
import { smallestShifts } from '#core/season/fitting/repair'
import { waterScenarios, type ScenarioRequest } from '#core/water/water-scenario'
import { simulateSeasons, type SimulatedSowing } from '#core/season/uncertainty/simulate'

type Tell = (done: number) => void

/** Long computations off the page's thread; each may tell how far it is, 0–1. To cancel one, end the worker. */
const calls = {
  findMixes: (request: FinderRequest, tell: Tell) =>
    findMixes(request, (done) => {
      tell(done)
      return true
    }),
  searchWays: (request: Parameters<typeof searchWays>[0]) => searchWays(request),
  smallestShifts: ({
    standings,
    shelfFlats,
  }: {
    standings: Parameters<typeof smallestShifts>[0]
    shelfFlats: number
  }) => smallestShifts(standings, shelfFlats),
  waterScenarios: (requests: readonly ScenarioRequest[], tell: Tell) => waterScenarios(requests, tell),
  simulateSeasons: (
    { sowings, seasons, seed }: { sowings: SimulatedSowing[]; seasons: number; seed: number },
    tell: Tell,
  ) => simulateSeasons(sowings, seasons, seed, tell),
}
export type WorkerCalls = typeof calls
expose(calls)
