import type { HouseholdRecord } from './household'

/** Whose degrees temperatures are written in: the kitchen’s, unless somebody said otherwise. */
export function thermometerOf({
  units,
  formats,
}: Pick<HouseholdRecord, 'units' | 'formats'>): HouseholdRecord['units'] {
  if (formats?.temperature === 'celsius') return 'metric'
  return formats?.temperature === 'fahrenheit' ? 'us' : units
}

/** A household that has said nothing but its kitchen. */
export const newHousehold = (units: HouseholdRecord['units']): HouseholdRecord => ({
  name: '',
  place: '',
  units,
  water: null,
  timeZone: null,
  learning: null,
  clock: null,
  away: [],
  people: [],
  formats: null,
  season: null,
})
