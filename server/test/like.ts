import fc from 'fast-check'

/* Values of the shape a JSON Schema asks for, within its bounds: what a contract lets through, as far as its shape says. */

export interface Schema {
  readonly type?: string | readonly string[]
  readonly enum?: readonly unknown[]
  readonly const?: unknown
  readonly format?: string
  readonly pattern?: string
  readonly minimum?: number
  readonly maximum?: number
  readonly exclusiveMinimum?: number
  readonly minLength?: number
  readonly maxLength?: number
  readonly minItems?: number
  readonly maxItems?: number
  readonly default?: unknown
  readonly properties?: Readonly<Record<string, Schema>>
  readonly required?: readonly string[]
  readonly items?: Schema
  readonly prefixItems?: readonly Schema[]
  readonly additionalProperties?: Schema | boolean
  readonly anyOf?: readonly Schema[]
  readonly oneOf?: readonly Schema[]
  readonly allOf?: readonly Schema[]
}

/** @param pools values for fields of these names, where there are some */
export function like(
  schema: Schema | boolean | undefined,
  pools: Readonly<Record<string, readonly string[]>>,
  key = '',
): fc.Arbitrary<unknown> {
  if (!schema || typeof schema === 'boolean') return fc.jsonValue({ maxDepth: 1 })
  const inside = (one: Schema | undefined, name = key) => like(one, pools, name)
  if (schema.const !== undefined) return fc.constant(schema.const)
  if (schema.enum) return fc.constantFrom(...schema.enum)
  const any = schema.anyOf ?? schema.oneOf
  if (any) return fc.oneof(...any.map((one) => inside(one)))
  if (schema.allOf) return inside(schema.allOf[0])
  if (schema.prefixItems) return fc.tuple(...schema.prefixItems.map((one) => inside(one)))
  const type = Array.isArray(schema.type) ? (schema.type[0] as string) : schema.type
  if (type === 'object') {
    const properties = Object.entries(schema.properties ?? {})
    return fc.record(Object.fromEntries(properties.map(([name, one]) => [name, inside(one, name)])), {
      requiredKeys: [...(schema.required ?? [])].filter((name) => name in (schema.properties ?? {})),
    })
  }
  if (type === 'array')
    return fc.array(inside(schema.items), {
      minLength: schema.minItems ?? 0,
      maxLength: Math.max(schema.minItems ?? 0, Math.min(4, schema.maxItems ?? 4)),
    })
  const least = schema.minimum ?? schema.exclusiveMinimum ?? -1e6
  const most = Math.max(least, schema.maximum ?? Math.max(1e6, least))
  if (type === 'integer')
    return fc.oneof(
      fc.integer({ min: Math.max(least, -(2 ** 31)), max: Math.min(most, 2 ** 31 - 1) }),
      fc.integer({ min: Math.max(least, 0), max: Math.min(most, Math.max(least, 0) + 60) }),
    )
  if (type === 'number')
    return fc.oneof(
      fc.double({ min: least, max: most, noNaN: true }),
      fc.double({ min: Math.max(least, 0), max: Math.min(most, Math.max(least, 0) + 60), noNaN: true }),
    )
  if (type === 'boolean') return fc.boolean()
  if (type === 'null') return fc.constant(null)
  const known = pools[key]
  if (known?.length)
    return fc.oneof({ weight: 9, arbitrary: fc.constantFrom(...known) }, { weight: 1, arbitrary: fc.uuid() })
  if (schema.format === 'uuid') return fc.uuid()
  if (schema.format === 'date')
    return fc.constantFrom('2027-03-20', '2027-05-08', '2026-11-01', '1990-01-01', '2099-12-31')
  if (schema.format === 'date-time')
    return fc.constantFrom('2027-03-20T08:30:00Z', '1990-01-01T00:00:00.000Z')
  if (schema.format === 'time') return fc.constantFrom('07:30', '23:59')
  if (schema.pattern) return fc.stringMatching(new RegExp(schema.pattern))
  const [shortest, longest] = [schema.minLength ?? 0, Math.min(schema.maxLength ?? 200, 200)]
  return fc.oneof(
    fc.string({ minLength: shortest, maxLength: longest }),
    fc.string({ unit: 'binary', minLength: shortest, maxLength: Math.max(shortest, Math.min(longest, 40)) }),
  )
}
