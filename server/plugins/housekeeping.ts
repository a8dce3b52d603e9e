import { defineNitroPlugin } from 'nitropack/runtime'
import { log, traceOf } from '../log'
import { forgetOldActs } from '../services/acts'
import { forgetRemovedHouseholds } from '../services/household-removal'
import { forgetLostPhotoFiles } from '../services/photo-files'

const HOUR_MS = 3_600_000

/** Once an hour what is past its days is cleared away. */
export default defineNitroPlugin((nitro) => {
  const timer = setInterval(() => {
    for (const clear of [forgetOldActs, forgetRemovedHouseholds, forgetLostPhotoFiles])
      clear().catch((error: unknown) => log.warn(traceOf(error), 'housekeeping failed'))
  }, HOUR_MS)
  timer.unref()
  nitro.hooks.hook('close', () => clearInterval(timer))
})
