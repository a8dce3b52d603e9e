import type { Server } from 'node:http'
import type { Socket } from 'node:net'
import { defineNitroPlugin } from 'nitropack/runtime'

/** Node closes a connection after five quiet seconds, and who asks on it just then is cut off. Here it is the asker who closes first. */
const KEEP_ALIVE_MS = 50_000

/** The server is known by its first request. */
export default defineNitroPlugin((nitro) => {
  const once = nitro.hooks.hook('request', ({ node }) => {
    const { server } = node.req.socket as Socket & { server?: Server }
    if (!server) return
    server.keepAliveTimeout = KEEP_ALIVE_MS
    once()
  })
})
