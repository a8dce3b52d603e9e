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
