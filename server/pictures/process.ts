import { madeClean, madeSmall, NoPicture } from './picture'

/* The process that unfolds pictures, one after the other; it leaves with the application that began it. */

export interface Asked {
  readonly id: number
  readonly make: 'small' | 'clean'
  readonly sent: Uint8Array
}
export type Answered = { readonly id: number } & (
  | { readonly made: Awaited<ReturnType<typeof madeSmall>> | Awaited<ReturnType<typeof madeClean>> }
  | { readonly refused: string }
  | { readonly fault: string }
)

process.on('message', async ({ id, make, sent }: Asked) => {
  const answer = (said: object) => process.send?.({ id, ...said })
  try {
    answer({ made: await (make === 'small' ? madeSmall(sent) : madeClean(sent)) })
  } catch (error) {
    if (error instanceof NoPicture) answer({ refused: error.message })
    else answer({ fault: String(error) })
  }
})
process.on('disconnect', () => process.exit(0))
