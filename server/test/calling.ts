/* For the tests of the server: against the built application; ./test starts it and says where. */
export const base = process.env.BLASTOMIX_URL!

export async function call(
  method: string,
  path: string,
  body?: unknown,
  headers: Record<string, string> = {},
) {
  const response = await fetch(`${base}${path}`, {
    method,
    headers: body === undefined ? headers : { 'content-type': 'application/json', ...headers },
    body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
  } as RequestInit)
  const type = response.headers.get('content-type') ?? ''
  return { status: response.status, type, body: await response.json() }
}

/** A household of its own for a test. */
export async function newHousehold(id: string, name = 'Tests') {
  const made = await call('PUT', `/api/households/${id}`, {
    version: 0,
    body: { name, place: '', units: 'metric' },
  })
  if (made.status !== 200) throw new Error(`no household: ${JSON.stringify(made.body)}`)
}
