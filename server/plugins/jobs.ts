import { defineNitroPlugin } from 'nitropack/runtime'
import { startJobs, stopJobs } from '../jobs/jobs'

export default defineNitroPlugin((nitro) => {
  void startJobs()
  nitro.hooks.hook('close', stopJobs)
})
