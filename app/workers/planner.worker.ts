import { searchWays, type PlannerRequest, type Ways } from '#core/feed/planner'

export type PlannerAnswer = Ways

/** The search of a large kit, off the page's thread. To cancel it, end it. */
self.onmessage = ({ data }: MessageEvent<PlannerRequest>) => self.postMessage(searchWays(data))
