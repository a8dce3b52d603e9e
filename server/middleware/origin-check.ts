import { present } from '#core/present'
import { defineEventHandler, getRequestHeader, setResponseHeader } from 'h3'
import { answerProblem, HttpProblem } from '../http/problem-json'

const METHODS = ['GET', 'HEAD', 'PUT', 'POST', 'DELETE']
const READS = ['GET', 'HEAD']

/** Names this machine answers to, without port; `./start` says which. */
const hosts = new Set(
  (process.env.BLASTOMIX_HOSTS || 'localhost,127.0.0.1,[::1]').toLowerCase().split(',').filter(Boolean),
)
const nameOf = (host: string) => host.toLowerCase().replace(/:\d+$/, '')

/**
 * There is no sign-in yet, so who asks is told by the browser: a page under a strange name that leads to this machine, or a
 * page of another site, gets nothing. Programs name no origin and are let in where they can reach. Sign-in takes its place
 * here.
 */
export default defineEventHandler((event) => {
  const refuse = (status: number, message: string) => answerProblem(event, new HttpProblem(status, message))
  const { method } = event.node.req
  // A page of another site shows none of it, not even a picture whose address it knows.
  setResponseHeader(event, 'cross-origin-resource-policy', 'same-origin')
  const host = getRequestHeader(event, 'host') ?? ''
  if (!hosts.has(nameOf(host)))
    return refuse(
      403,
      'Blastomix does not answer to this name. Who started it can allow it: ./start --name <name>',
    )
  if (!METHODS.includes(method ?? '')) {
    setResponseHeader(event, 'allow', METHODS.join(', '))
    return refuse(405, 'This cannot be asked in that way.')
  }
  if (READS.includes(present(method))) {
    // Asked for its head alone, a page or list is made and only its head is sent.
    event.node.req.method = 'GET'
    Object.assign(event, { _method: 'GET' })
    return undefined
  }
  const origin = getRequestHeader(event, 'origin')
  const site = getRequestHeader(event, 'sec-fetch-site')
  const same = origin === undefined ? !site || /^(same-origin|none)$/.test(site) : isOrigin(origin, host)
  return same ? undefined : refuse(403, 'Another site’s page may not change anything here.')
})

function isOrigin(origin: string, host: string): boolean {
  try {
    return new URL(origin).host === host.toLowerCase()
  } catch {
    return false
  }
}
