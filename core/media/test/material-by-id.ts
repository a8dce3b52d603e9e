import { materialIn, type Material } from '../material'
import { BUILT_IN } from '../materials'

/** A built-in material. @throws RangeError for an unknown id. */
export const materialById = (id: string): Material => materialIn(BUILT_IN, id)
