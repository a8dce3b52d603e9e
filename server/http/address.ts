import type { H3Event } from 'h3'

/** The address a request comes from, as the connection says: what a header says of it anybody can write. */
export const addressOf = (event: H3Event): string => event.node.req.socket.remoteAddress ?? ''
