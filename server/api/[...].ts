import { defineEventHandler, setResponseHeader } from 'h3'
import { ROUTES } from '#routes'
import { answerProblem, HttpProblem } from '../http/problem-json'

const patterns = ROUTES.map(({ path, method }) => ({
  method: method.toUpperCase(),
  pattern: new RegExp(`^${path.replace(/\[\w+\]/g, '[^/]+')}$`),
}))

/** Any other address or method under /api. */
export default defineEventHandler((event) => {
  const path = event.path.replace(/\?.*$/, '')
  const methods = patterns.filter(({ pattern }) => pattern.test(path)).map(({ method }) => method)
  if (methods.length === 0)
    return answerProblem(event, new HttpProblem(404, 'There is nothing at this address.'))
  setResponseHeader(event, 'allow', methods.join(', '))
  return answerProblem(event, new HttpProblem(405, `This can be asked with ${methods.join(', ')} only.`))
})
