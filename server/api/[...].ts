import { defineEventHandler } from 'h3'
import { answerProblem, HttpProblem } from '../http/problem-json'

/** Any other address or method under /api. */
export default defineEventHandler((event) =>
  answerProblem(event, new HttpProblem(404, 'There is nothing at this address.')),
)
