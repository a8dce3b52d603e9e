import { smallestShifts, type Repair, type Standing } from '#core/season/repair'
import { simulateSeasons, type SimulatedSeason, type SimulatedSowing } from '#core/season/simulate'

export type SeasonAsk =
  | { ask: 'repair'; standings: Standing[]; shelfFlats: number }
  | { ask: 'simulate'; sowings: SimulatedSowing[]; seasons: number; seed: number }

export type SeasonAnswer = { repair: Repair } | { simulated: SimulatedSeason } | { done: number }

/** Searches and simulates off the page's thread. To cancel it, end it. */
self.onmessage = ({ data }: MessageEvent<SeasonAsk>) => {
  const tell = (answer: SeasonAnswer) => self.postMessage(answer)
  if (data.ask === 'repair') tell({ repair: smallestShifts(data.standings, data.shelfFlats) })
  else tell({ simulated: simulateSeasons(data.sowings, data.seasons, data.seed, (done) => tell({ done })) })
}
