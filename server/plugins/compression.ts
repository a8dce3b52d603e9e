import { promisify } from 'node:util'
import { brotliCompress, constants, gzip } from 'node:zlib'
import { getRequestHeader, getResponseHeader, setResponseHeader } from 'h3'
import { defineNitroPlugin } from 'nitropack/runtime'

const brotli = promisify(brotliCompress)
const gzipped = promisify(gzip)
/** Below this the answer fits into one packet as it is. */
const WORTH_BYTES = 1200
const QUICK = { params: { [constants.BROTLI_PARAM_QUALITY]: 4 } }

/** Pages and JSON travel compressed, as files do already. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('beforeResponse', async (event, response) => {
    const { body } = response
    const isJson = typeof body === 'object' && body !== null && isPlain(body)
    // What a thread made is bytes already.
    const isMade =
      body instanceof Uint8Array && getResponseHeader(event, 'content-type') === 'application/json'
    if (typeof body !== 'string' && !isJson && !isMade) return
    const text = isJson ? JSON.stringify(body) : (body as string | Uint8Array)
    if (isJson && !getResponseHeader(event, 'content-type'))
      setResponseHeader(event, 'content-type', 'application/json')
    const accepts = getRequestHeader(event, 'accept-encoding') ?? ''
    const way = /\bbr\b/.test(accepts) ? 'br' : /\bgzip\b/.test(accepts) ? 'gzip' : null
    if (!way || text.length < WORTH_BYTES || getResponseHeader(event, 'content-encoding'))
      return void (isJson && (response.body = text))
    setResponseHeader(event, 'content-encoding', way)
    setResponseHeader(event, 'vary', 'accept-encoding')
    response.body = way === 'br' ? await brotli(text, QUICK) : await gzipped(text)
  })
})

const isPlain = (body: object) =>
  Array.isArray(body) ||
  Object.getPrototypeOf(body) === Object.prototype ||
  Object.getPrototypeOf(body) === null
