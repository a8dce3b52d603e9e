import * as z from 'zod'
import { planProgramme } from '#core/feed/programme'
import { knownInBooks, programmeToCompute } from '#shared/computations/mix-and-feed'
import { asProgrammeRequest } from '#shared/reckoning/programme-request'
import { figures, tabled } from '../../http/figures'
import { route } from '../../http/route'

export default route(
  {
    summary: 'A feeding schedule to its days, and whether they keep up',
    body: programmeToCompute,
    answers: z.looseObject({ events: z.array(z.looseObject({ day: z.int() })), figures }),
    meaning:
      'The feeds by days after emergence, what a plant wants and is given by then, and what is needed in all',
  },
  ({ body }) => tabled(planProgramme(asProgrammeRequest(body, knownInBooks))),
)
