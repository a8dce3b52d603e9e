/** Something the person at the keyboard can act on: told in one sentence, without a stack. */
export class Trouble extends Error {}

/** Run `main`; on trouble say the sentence and leave with a non-zero code. */
export async function orSayWhy(main) {
  try {
    await main()
  } catch (error) {
    const full = error?.code === 'ENOSPC' || /No space left on device/.test(error?.message ?? '')
    if (full) console.error('The disk is full: make room and try again.')
    else if (error instanceof Trouble) console.error(error.message)
    else console.error(error)
    process.exit(1)
  }
}
