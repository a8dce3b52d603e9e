import { PAGES } from '#pages'
import { getCookie } from 'h3'
import { defineNitroPlugin } from 'nitropack/runtime'

/** The application draws that there is no such page; the answer says so as well. */
const isPage = (path: string) => PAGES.some((one) => one.test(path.replace(/[?#].*$/, '')))

const ID = /^[0-9a-f-]{36}$/i

/**
 * What the empty page already knows: the grow room stays dark from the first moment on, and what the household keeps is asked
 * for before the scripts that show it. The page takes it from `asked` (app/household/early-answer.ts).
 */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('render:response', (response, { event }) => {
    if (!isPage(event.path)) response.statusCode = 404
  })
  nitro.hooks.hook('render:html', (html, { event }) => {
    const theme = getCookie(event, 'theme')
    if (theme === 'dark' || theme === 'light') html.htmlAttrs.push(`data-theme="${theme}"`)
    const id = getCookie(event, 'household')
    if (id && ID.test(id))
      html.head.unshift(
        `<script>window.asked={id:'${id}',answer:fetch('/api/households/${id}?lean=true').catch(function(){})}</script>`,
      )
  })
})
