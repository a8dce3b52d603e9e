import { defineNitroPlugin } from 'nitropack/runtime'
import { log, traceOf } from '../log'
import { forgetOldActs } from '../services/acts'
import { forgetRemovedHouseholds } from '../services/household-removal'
import { forgetLostPhotoFiles } from '../services/photo-files'
import { writeDaysOfDevices } from '../services/device-days'
import { askForecastsDue } from '../services/weather'
import { thinReadings } from '../services/readings'

const HOUR_MS = 3_600_000
const MINUTE_MS = 60_000
/** The services beside it are given a moment to come up. */
const SOON_MS = 4000

/** Once an hour what is past its days is cleared away. */
export default defineNitroPlugin((nitro) => {
  const timer = setInterval(() => {
    for (const clear of [forgetOldActs, forgetRemovedHouseholds, forgetLostPhotoFiles, thinReadings])
      clear().catch((error: unknown) => log.warn(traceOf(error), 'housekeeping failed'))
  }, HOUR_MS)
  // A day that begins wants a forecast of its own.
  const forecasts = setInterval(() => {
    askForecastsDue().catch((error: unknown) => log.warn(traceOf(error), 'forecasts were not asked for'))
  }, MINUTE_MS)
  forecasts.unref()
  setTimeout(() => void askForecastsDue().catch(() => undefined), SOON_MS).unref()
  const days = setInterval(() => {
    writeDaysOfDevices().catch((error: unknown) => log.warn(traceOf(error), 'days of devices'))
  }, 10 * MINUTE_MS)
  days.unref()
  timer.unref()
  nitro.hooks.hook('close', () => [timer, forecasts, days].forEach((one) => clearInterval(one)))
})
