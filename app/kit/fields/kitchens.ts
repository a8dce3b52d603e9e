import type { Kitchen } from '#core/units/unit'

/** Kitchens as they are chosen between, with what a bare measure means in each. */
export const KITCHEN_CHOICES: { value: Kitchen; name: string }[] = [
  { value: 'metric', name: 'Metric: litres, 5 mL teaspoons' },
  { value: 'us', name: 'US: cups, US gallons' },
  { value: 'imperial', name: 'Imperial: pints, imperial gallons' },
]
