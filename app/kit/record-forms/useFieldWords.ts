import { fieldWords } from '#shared/messages/fields'
import { printNumber, printQuantity, printShare } from '#core/units/format'

/** How a number is printed, by the unit its field is named after. */
const UNITS = [
  [/Ml$/, (value, units) => printQuantity(value / 1000, 'volume', units)],
  [/[a-z]L$/, (value, units) => printQuantity(value, 'volume', units)],
  [/Mm$/, (value, units) => printQuantity(value, 'length', units)],
  [/[a-z]C$/, (value, units) => printQuantity(value, 'temperature', units)],
  [/^(germination|certainty|theta\d+|organic|settling|fill|spare)$/, (value) => printShare(value)],
] as const satisfies readonly (readonly [
  RegExp,
  (value: number, units: Parameters<typeof printQuantity>[2]) => string,
])[]

/** A record's fields in words, whatever the record. */
export function useFieldWords() {
  const context = useContext()
  const household = useHousehold()
  const { printDay } = useDates()

  const labelOf = (key: string) => fieldWords(undefined, key).label

  /** Names of things, where a value is the id of one. */
  function named(id: string): string | undefined {
    for (const catalogue of [
      context.materials,
      context.containers,
      context.feeds,
      context.crops,
      context.recipes,
    ] as ReadonlyMap<string, { name: string }>[]) {
      const found = catalogue.get(id)
      if (found) return found.name
    }
    return [...household.batches, ...household.packets, ...household.feedings].find((one) => one.id === id)
      ?.body.name
  }

  function say(key: string, value: unknown): string {
    if (value === null || value === undefined || value === '') return 'nothing'
    if (typeof value === 'boolean') return value ? 'yes' : 'no'
    if (typeof value === 'number') {
      const unit = UNITS.find(([pattern]) => pattern.test(key))
      return unit ? unit[1](value, household.units) : printNumber(value)
    }
    if (typeof value === 'string')
      return /^\d{4}-\d{2}-\d{2}$/.test(value) ? printDay(value) : (named(value) ?? value)
    if (Array.isArray(value)) return value.length ? value.map((one) => say(key, one)).join('; ') : 'none'
    return (
      Object.entries(value)
        .filter(([, inside]) => inside !== null)
        // What it is before how much of it: the database keeps no order.
        .sort(([, a], [, b]) => Number(typeof b === 'string') - Number(typeof a === 'string'))
        .map(([inner, inside]) =>
          typeof inside === 'string' || (typeof inside === 'number' && inner === 'parts')
            ? say(inner, inside)
            : `${labelOf(inner).toLowerCase()} ${say(inner, inside)}`,
        )
        .join(', ')
    )
  }
  return { labelOf, say }
}
