import { findMixes, type FinderRequest, type FinderResult } from '#core/media/finder'

export type FinderMessage = { done: number } | { result: FinderResult }

/** Searches off the page's thread. To cancel it, end it. */
self.onmessage = ({ data }: MessageEvent<FinderRequest>) => {
  const tell = (message: FinderMessage) => self.postMessage(message)
  const result = findMixes(data, (done) => {
    tell({ done })
    return true
  })
  tell({ result })
}
