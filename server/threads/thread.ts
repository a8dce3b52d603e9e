import { inWords, type SaidProblem } from '#shared/messages/refusals'
import { Buffer } from 'node:buffer'
import { threadId, workerData } from 'node:worker_threads'
import { move, transferableSymbol, valueSymbol } from 'piscina'
import { Refused } from '#core/problem'
import { problemsFrom } from '#shared/records/rules'
import { cleaned, NotReadable } from '../http/clean'
import { documentPdf, type PaperSize, type Writing } from '../paper/document'
import { keyPdf } from '../paper/key'
import { labelsPdf } from '../paper/labels'
import { bringFonts } from '../paper/fonts'
import { COMPUTATIONS, type Computation, type ComputationName } from './computations'

/* What a thread does: one computation or one paper at a time. What it makes is handed over, not copied. */

bringFonts((workerData as unknown as { fonts: ReadonlyMap<string, Uint8Array> }).fonts)

export type Task =
  | { readonly do: 'compute'; readonly name: ComputationName; readonly body: Uint8Array }
  | { readonly do: 'document'; readonly of: readonly [Writing, PaperSize] }
  | { readonly do: 'labels'; readonly of: Parameters<typeof labelsPdf> }
  | { readonly do: 'key'; readonly of: Parameters<typeof keyPdf> }
/** What was made, and by which thread; or why the body is none. */
export type Done =
  | { readonly bytes: Uint8Array; readonly threadId: number }
  | { readonly status: 400 | 422; readonly problems: readonly SaidProblem[] }

export default async function work(task: Task): Promise<Done> {
  switch (task.do) {
    case 'compute':
      return computed(COMPUTATIONS[task.name] as Computation, task.body)
    case 'document':
      return handed(await documentPdf(...task.of))
    case 'labels':
      return handed(await labelsPdf(...task.of))
    case 'key':
      return handed(await keyPdf(...task.of))
  }
}

function computed({ body: shape, compute }: Computation, sent: Uint8Array): Done {
  let body: unknown
  try {
    body = JSON.parse(Buffer.from(sent).toString('utf8'), cleaned)
  } catch (error) {
    const message = error instanceof NotReadable ? error.message : 'The body is not valid JSON.'
    return { status: 400, problems: [{ path: [], message }] }
  }
  const read = shape.safeParse(body)
  if (!read.success) return { status: 422, problems: problemsFrom(read.error) }
  try {
    return handed(Buffer.from(JSON.stringify(compute(read.data))))
  } catch (error) {
    if (error instanceof Refused) return { status: 422, problems: [inWords(error.problem)] }
    // What core says of its inputs is meant for who gave them; a stack that ran over is not.
    if (!(error instanceof RangeError) || /call stack|string length|array length/i.test(error.message))
      throw error
    return { status: 422, problems: [{ path: [], message: error.message }] }
  }
}

/** Bytes of a block of their own, handed over: what is moved out of a pool would take its neighbours along. */
function handed(made: Uint8Array): Done {
  const bytes = new Uint8Array(made)
  return move({
    [transferableSymbol]: [bytes.buffer],
    [valueSymbol]: { bytes, threadId },
  } as never) as unknown as Done
}
