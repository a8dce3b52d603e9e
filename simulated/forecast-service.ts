import { createServer, type Server } from 'node:http'
import { isDay } from '#core/calendar/day'
import { forecastOn } from './weather'

/**
 * A forecast service of its own, on loopback: `GET /?place=…&on=2027-04-12&days=10` answers days in the plain shape of
 * docs/formats.md, each marked as simulated.
 */
export const forecastService = (): Server =>
  createServer((request, response) => {
    const asked = new URL(request.url ?? '/', 'http://loopback').searchParams
    const on = asked.get('on') ?? ''
    const days = Number(asked.get('days') ?? 10)
    const lastFrost = asked.get('lastFrost') ?? ''
    response.setHeader('content-type', 'application/json')
    if (request.method !== 'GET' || !isDay(on) || !(days >= 1 && days <= 16)) {
      response.statusCode = 422
      return void response.end(
        JSON.stringify({ detail: 'Ask for on=2027-04-12, with days from 1 to 16 and a place.' }),
      )
    }
    const sky = {
      place: (asked.get('place') ?? '').slice(0, 200),
      lastFrost: isDay(lastFrost) ? lastFrost : null,
    }
    response.end(JSON.stringify(forecastOn(sky, on, Math.floor(days))))
  })
