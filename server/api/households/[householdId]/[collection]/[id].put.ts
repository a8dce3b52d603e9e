import type * as z from 'zod'
import { COLLECTIONS, write, type Bodies } from '#shared/collections'
import { save } from '../../../../services/keeping'
import { recordParams } from '../../../../http/params'
import { readJson } from '../../../../http/read-json'
import { parse, route } from '../../../../http/route'

export default route({ params: recordParams }, async ({ params, event }) => {
  const { collection, householdId, id } = params
  const shape = write(COLLECTIONS[collection] as z.ZodType<Bodies[typeof collection]>)
  const { version, body } = parse(shape, await readJson(event), 422)
  return save(collection, householdId, id, version, body)
})
