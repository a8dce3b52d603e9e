import { HttpProblem } from '../http/problem-json'
import { route } from '../http/route'

/** Any other address or method under /api. */
export default route({}, () => {
  throw new HttpProblem(404, 'There is nothing at this address.')
})
