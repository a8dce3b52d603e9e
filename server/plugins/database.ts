import { defineNitroPlugin } from 'nitropack/runtime'
import { closePools } from '../db/door'
import { closeLive } from '../services/live'
import { seedDemoWhenEmpty } from '../services/demo'

export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('close', closeLive)
  nitro.hooks.hook('close', closePools)
  if (process.env.BLASTOMIX_DEMO !== '1') return
  // Plugins are not waited for: a request that comes first waits here, and is told when seeding failed.
  const seeded = seedDemoWhenEmpty()
  seeded.catch(() => {})
  nitro.hooks.hook('request', () => seeded)
})
