import { useHouseholdAnswer } from '~/household/saving'
import type { UnitSystem } from '#core/units/unit'

/** The kitchen alone, saved over whatever else was said meanwhile. */
export const useUnitsAnswer = () =>
  useHouseholdAnswer<{ units: UnitSystem }>(
    'the units',
    ({ units }) => ({ units }),
    (whole, { units }) => ({ ...whole, units }),
  )
