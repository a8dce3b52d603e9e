import { present } from '#core/present'
interface Line<Answer> {
  readonly done?: number
  readonly answer?: Answer
  readonly problem?: object
}

/**
 * A request whose answer takes its time, told as it goes.
 *
 * @param went how much of it is done, 0 to 1
 * @param signal leaves it: what it did is taken back
 * @throws as any other request: with the problem as `data`, or an AbortError
 */
export async function followed<Answer>(
  address: string,
  {
    body,
    type,
    went,
    signal,
  }: { body: Blob; type: string; went: (done: number) => void; signal: AbortSignal },
): Promise<Answer> {
  const headers = { 'content-type': type, accept: 'application/x-ndjson' }
  const response = await fetch(address, { method: 'POST', body, headers, signal })
  if (!response.ok) throw Object.assign(new Error(response.statusText), { data: await response.json() })
  const reader = present(response.body).pipeThrough(new TextDecoderStream()).getReader()
  let rest = ''
  for (let read = await reader.read(); !read.done; read = await reader.read()) {
    const lines = (rest + read.value).split('\n')
    rest = present(lines.pop())
    for (const text of lines) {
      const line = JSON.parse(text) as Line<Answer>
      if (line.answer !== undefined) return line.answer
      if (line.problem) throw Object.assign(new Error('refused'), { data: line.problem })
      if (line.done !== undefined) went(line.done)
    }
  }
  throw new Error('It was cut off.')
}
