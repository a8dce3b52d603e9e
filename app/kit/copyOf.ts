import { cloneFnJSON } from '@vueuse/core'

/** A plain copy of a draft or a request: without watchers, fit to be changed, kept or sent to a worker. */
export const copyOf = cloneFnJSON
