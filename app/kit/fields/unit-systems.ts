import type { UnitSystem } from '#core/units/unit'

/** Kitchens as they are chosen between, with what a bare measure means in each. */
export const UNIT_SYSTEM_CHOICES: { value: UnitSystem; name: string }[] = [
  { value: 'metric', name: 'Metric: L, mL, 5 mL teaspoons' },
  { value: 'us', name: 'US: cups, US gallons' },
  { value: 'imperial', name: 'Imperial: pints, imperial gallons' },
]
