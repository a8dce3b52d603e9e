import { createServer } from 'node:net'

/** Whether a port can be listened on. */
export function isFree(port, host = '127.0.0.1') {
  return new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen(port, host, () => probe.close(() => resolve(true)))
  })
}

/** A port nobody listens on at this moment. */
export function freePort(host = '127.0.0.1') {
  return new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', reject)
    probe.listen(0, host, () => {
      const { port } = probe.address()
      probe.close(() => resolve(port))
    })
  })
}
