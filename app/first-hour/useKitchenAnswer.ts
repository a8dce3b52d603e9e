import { useHouseholdAnswer } from '~/household/saving'
import type { Kitchen } from '#core/units/unit'

/** The kitchen alone, saved over whatever else was said meanwhile. */
export const useKitchenAnswer = () =>
  useHouseholdAnswer<{ kitchen: Kitchen }>(
    'the units',
    ({ kitchen }) => ({ kitchen }),
    (whole, { kitchen }) => ({ ...whole, kitchen }),
  )
