import { expect, it } from '@jest/globals'
import { readFileSync } from 'node:fs'
import { CALIBRATION_IDS, type CalibrationId } from '#core/learning/calibrations'

/*
 * Where each figure that is learned is measured, and where it is used. A figure without both does not compile, and one that
 * its files do not name is told here.
 */
interface Places {
  readonly measured: string
  readonly used: string
}
const COUNTED = 'shared/derived/measured.ts'
const TYPED = 'app/records/log/MeasureForm.vue'
const ROWS = 'shared/derived/calibrated-catalogues.ts'
const PLACES: Readonly<Record<CalibrationId, Places>> = {
  settling: { measured: COUNTED, used: ROWS },
  'mixing loss': { measured: COUNTED, used: ROWS },
  'coir yield': { measured: 'shared/commands/guided-job-outcome.ts', used: ROWS },
  'block compression': { measured: COUNTED, used: ROWS },
  'powder density': { measured: TYPED, used: ROWS },
  jug: { measured: TYPED, used: ROWS },
  germination: { measured: COUNTED, used: 'shared/derived/sowing-request.ts' },
  'days up': { measured: COUNTED, used: ROWS },
  'potting loss': { measured: COUNTED, used: 'shared/derived/sowing-request.ts' },
  minutes: { measured: 'shared/commands/guided-job-outcome.ts', used: 'app/today/jobs/useWorkLeft.ts' },
  'feed response': { measured: COUNTED, used: ROWS },
}

it.each(CALIBRATION_IDS)('%s is measured and used', (id) => {
  const { measured, used } = PLACES[id]
  expect(readFileSync(measured, 'utf8')).toContain(`'${id}'`)
  expect(readFileSync(used, 'utf8')).toContain(`.of('${id}'`)
})
