import pg from 'pg'

/**
 * A connection of a script. When the server falls over, the question that was asked fails and says so; without the listener
 * the script itself would end with it.
 *
 * @param {string} url
 */
export async function connectTo(url) {
  const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 5000 })
  client.on('error', () => {})
  await client.connect()
  return client
}

/** Host and port of a database, as they may be said. */
export function addressOf(url) {
  try {
    const { hostname, port } = new URL(url)
    return `${hostname}:${port || 5432}`
  } catch {
    return 'DATABASE_URL'
  }
}
