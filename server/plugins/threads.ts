import { defineNitroPlugin } from 'nitropack/runtime'
import { closePictures } from '../pictures/pictures'
import { closePool, openPool } from '../threads/pool'

export default defineNitroPlugin((nitro) => {
  // The first who asks need not wait for it.
  void openPool().catch(() => undefined)
  nitro.hooks.hook('close', closePool)
  nitro.hooks.hook('close', closePictures)
})
