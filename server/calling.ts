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
    body: { name, place: '', kitchen: 'metric' },
  })
  if (made.status !== 200) throw new Error(`no household: ${JSON.stringify(made.body)}`)
}

/** A season whose last frost is 8 May 2027. */
export const SEASON = {
  lastFrost: '2027-05-08',
  firstFrost: '2027-10-12',
  places: [
    {
      id: 'shelf',
      name: 'Shelf',
      kind: 'shelf',
      flats: 8,
      dayC: 20,
      nightC: 18,
      heatC: 24,
      light: null,
      cover: 'none',
    },
  ],
  lightSchool: 'sixteen',
  feedingSchool: 'weak and often',
  feedId: 'balanced-20',
  tubL: 40,
  canL: 9,
}
