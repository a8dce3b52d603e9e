import { closeDb } from '../db/client'
import { seedDemoWhenEmpty } from '../services/demo'

export default defineNitroPlugin(async (nitro) => {
  nitro.hooks.hook('close', closeDb)
  if (process.env.BLASTOMIX_DEMO === '1') await seedDemoWhenEmpty()
})
