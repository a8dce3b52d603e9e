import { Refusal } from './refusal'

const PATIENCE_MS = 5000
const printer = () => process.env.BLASTOMIX_LABEL_PRINTER || null
const silent = () =>
  new Refusal(503, 'The label printer does not answer. The labels can be had as a PDF instead.')

/** Labels as PDF go to the label printer. @throws Refusal 503 */
export async function printLabels(pdf: Buffer, name: string): Promise<{ simulated: boolean }> {
  const address = printer()
  if (!address)
    throw new Refusal(503, 'No label printer is set up here. The labels can be had as a PDF instead.')
  const answer = await fetch(address, {
    method: 'POST',
    headers: { 'content-type': 'application/pdf', 'x-label-name': encodeURIComponent(name) },
    body: new Uint8Array(pdf),
    signal: AbortSignal.timeout(PATIENCE_MS),
  }).catch(() => {
    throw silent()
  })
  if (!answer.ok) throw silent()
  const { simulated = false } = (await answer.json()) as { simulated?: boolean }
  return { simulated }
}

/** What a simulated printer has taken, newest first; none where there is no printer, or it is a real one. */
export async function printedLabels(): Promise<{
  simulated: boolean
  taken: { at: string; name: string }[]
}> {
  const address = printer()
  const nothing = { simulated: false, taken: [] }
  if (!address) return nothing
  const answer = await fetch(address, { signal: AbortSignal.timeout(PATIENCE_MS) }).catch(() => null)
  return answer?.ok ? ((await answer.json()) as typeof nothing) : nothing
}

/** One of them as it was taken. @throws Refusal 404 */
export async function printedLabel(n: number): Promise<Buffer> {
  const address = printer()
  const answer = address
    ? await fetch(new URL(String(n), address), { signal: AbortSignal.timeout(PATIENCE_MS) }).catch(() => null)
    : null
  if (!answer?.ok) throw new Refusal(404, 'This label is no longer in the printer.')
  return Buffer.from(await answer.arrayBuffer())
}
