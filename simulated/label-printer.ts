import { createServer, type Server } from 'node:http'

const MAX_BYTES = 2 * 1024 * 1024
const KEPT = 12

/**
 * A label printer that has no paper: `POST /` takes a PDF, `GET /` lists what came, newest first, `GET /1` is the last of them
 * as it was taken. Nothing else is kept.
 */
export function labelPrinter(): Server {
  const taken: { at: string; name: string; pdf: Buffer }[] = []
  return createServer((request, response) => {
    const answer = (status: number, body: object) => {
      response.statusCode = status
      response.setHeader('content-type', 'application/json')
      response.end(JSON.stringify(body))
    }
    const which = /^\/(\d+)$/.exec(request.url ?? '')?.[1]
    if (request.method === 'GET' && which) {
      const one = taken[Number(which) - 1]
      if (!one) return answer(404, { detail: 'This label is no longer here.' })
      response.setHeader('content-type', 'application/pdf')
      return void response.end(one.pdf)
    }
    if (request.method === 'GET')
      return answer(200, { simulated: true, taken: taken.map(({ at, name }) => ({ at, name })) })
    if (request.method !== 'POST') return answer(405, { detail: 'Send a PDF with POST.' })
    const chunks: Buffer[] = []
    let bytes = 0
    request.on('data', (chunk: Buffer) => {
      bytes += chunk.length
      if (bytes <= MAX_BYTES) chunks.push(chunk)
    })
    request.on('end', () => {
      const pdf = Buffer.concat(chunks)
      if (bytes > MAX_BYTES || pdf.subarray(0, 5).toString() !== '%PDF-')
        return answer(422, { detail: 'A label is a PDF of at most 2 MB.' })
      const name = decodeURIComponent(String(request.headers['x-label-name'] ?? 'Label')).slice(0, 120)
      taken.unshift({ at: new Date().toISOString(), name, pdf })
      taken.splice(KEPT)
      answer(200, { simulated: true })
    })
  })
}
