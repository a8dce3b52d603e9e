import { defineNitroPlugin } from 'nitropack/runtime'
import { closePictures } from '../pictures/pictures'
import { closePool } from '../threads/pool'

export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('close', closePool)
  nitro.hooks.hook('close', closePictures)
})
