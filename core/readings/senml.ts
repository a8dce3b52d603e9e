/*
 * Sensor Measurement Lists: RFC 8428 (2018), in JSON. Units by the SenML Units Registry of IANA, begun by section 12.1 of it
 * and added to by RFC 8798.
 */

/** A record with everything its base fields say resolved into it (RFC 8428, 4.6). */
export interface ResolvedRecord {
  readonly name: string
  readonly unit: string | null
  /** Seconds since 1970, UTC. */
  readonly atS: number
  readonly value: number | string | boolean | null
  readonly sum: number | null
}

/** Times below this are counted from now (RFC 8428, 4.5.3). */
const RELATIVE_BELOW_S = 2 ** 28
/** RFC 8428, 4.4: the version of what is written here. */
const VERSION = 10
const NAME = /^[A-Za-z0-9][A-Za-z0-9\-:./_]*$/
const KNOWN = ['bn', 'bt', 'bu', 'bv', 'bs', 'bver', 'n', 'u', 'v', 'vs', 'vb', 'vd', 's', 't', 'ut']
const NUMBERS = ['bt', 'bv', 'bs', 'bver', 'v', 's', 't', 'ut']
const TEXTS = ['bn', 'bu', 'n', 'u', 'vs', 'vd']

/**
 * The records of a pack, resolved, in the order of the pack.
 *
 * @param nowS seconds since 1970, from which relative times count
 * @throws RangeError for what is no pack, in words that name the record (counted from 1)
 * @example resolvePack([{ bn: 'probe:', n: 'air', u: 'Cel', v: 21, t: 1.8e9 }], 0)[0].name // 'probe:air'
 * @example resolvePack('no pack', 0) // throws RangeError
 */
export function resolvePack(pack: unknown, nowS: number): ResolvedRecord[] {
  if (!Array.isArray(pack)) throw new RangeError('A SenML pack is a JSON array of records.')
  let base: Base = { bn: '', bt: 0, bu: null, bv: 0, bs: null }
  return pack.flatMap((record: unknown, i): ResolvedRecord[] => {
    const where = `Record ${i + 1}`
    if (typeof record !== 'object' || record === null || Array.isArray(record))
      throw new RangeError(`${where} is no object.`)
    const fields = record as Record<string, unknown>
    checkFields(fields, where)
    const number = (key: string) => fields[key] as number | undefined
    const text = (key: string) => fields[key] as string | undefined
    if ((number('bver') ?? VERSION) > VERSION)
      throw new RangeError(`${where} is of SenML version ${number('bver')}; read is up to ${VERSION}.`)
    base = { ...base, ...baseOf(fields) }
    const value = valueOf(fields, base.bv, where)
    const sum = fields.s === undefined && base.bs === null ? null : (base.bs ?? 0) + (number('s') ?? 0)
    // A record of base fields alone says nothing itself.
    if (value === null && fields.s === undefined) return []
    const name = base.bn + (text('n') ?? '')
    if (!NAME.test(name))
      throw new RangeError(`${where}: “${name.slice(0, 60)}” is no name: letters, digits and - : . / _ only.`)
    const saidS = base.bt + (number('t') ?? 0)
    const atS = saidS < RELATIVE_BELOW_S ? nowS + saidS : saidS
    return [{ name, unit: text('u') ?? base.bu, atS, value, sum }]
  })
}

/** The base fields that hold for a record and those after it (RFC 8428, 4.1). */
interface Base {
  readonly bn: string
  readonly bt: number
  readonly bu: string | null
  readonly bv: number
  readonly bs: number | null
}

/** Those that a record states. */
const baseOf = ({ bn, bt, bu, bv, bs }: Record<string, unknown>): Partial<Base> =>
  Object.fromEntries(
    Object.entries({ bn, bt, bu, bv, bs }).filter(([, value]) => value !== undefined),
  ) as Partial<Base>

function checkFields(fields: Record<string, unknown>, where: string) {
  for (const key of Object.keys(fields))
    // RFC 8428, 4.4: what ends in an underscore has to be understood.
    if (key.endsWith('_') && !KNOWN.includes(key))
      throw new RangeError(`${where} has a field “${key}” that has to be understood and is not.`)
  for (const key of NUMBERS)
    if (fields[key] !== undefined && !Number.isFinite(fields[key]))
      throw new RangeError(`${where}: “${key}” is a number.`)
  for (const key of TEXTS)
    if (fields[key] !== undefined && typeof fields[key] !== 'string')
      throw new RangeError(`${where}: “${key}” is a text.`)
  if (fields.vb !== undefined && typeof fields.vb !== 'boolean')
    throw new RangeError(`${where}: “vb” is true or false.`)
}

function valueOf({ v, vs, vb, vd }: Record<string, unknown>, bv: number, where: string) {
  const said = [v, vs, vb, vd].filter((one) => one !== undefined)
  if (said.length > 1) throw new RangeError(`${where} has more than one value.`)
  if (v !== undefined) return (v as number) + bv
  return (said[0] as string | boolean | undefined) ?? null
}

/** Readings as a pack, with names and times in the base of the first record where all share them. */
export const asPack = (
  readings: readonly {
    readonly name: string
    readonly unit: string
    readonly atS: number
    readonly value: number
  }[],
): object[] => {
  const [first] = readings
  if (!first) return []
  return readings.map(({ name, unit, atS, value }, i) => ({
    ...(i === 0 ? { bt: first.atS } : {}),
    n: name,
    u: unit,
    ...(atS === first.atS ? {} : { t: atS - first.atS }),
    v: value,
  }))
}
