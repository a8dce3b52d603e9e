import { getCookie, setCookie, type H3Event } from 'h3'
import { defineNitroPlugin } from 'nitropack/runtime'
import { listHouseholds } from '../services/reading'

const YEAR_S = 31_536_000

/**
 * What the empty page already knows: the grow room stays dark from the first moment on, and what the household keeps is
 * on its way while the scripts are.
 */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('render:html', async (html, { event }) => {
    if (getCookie(event, 'theme') === 'dark') html.htmlAttrs.push('class="dark"')
    const id = getCookie(event, 'household') ?? (await oldestHousehold(event))
    if (id)
      html.head.push(
        `<link rel="preload" as="fetch" crossorigin="anonymous" href="/api/households/${encodeURIComponent(id)}">`,
      )
  })
})

/** Where nobody has chosen yet, the oldest is chosen; a silent database is told of by the page itself. */
async function oldestHousehold(event: H3Event): Promise<string | undefined> {
  const [oldest] = await listHouseholds(1).catch(() => [])
  if (oldest) setCookie(event, 'household', oldest.id, { maxAge: YEAR_S, sameSite: 'lax', path: '/' })
  return oldest?.id
}
