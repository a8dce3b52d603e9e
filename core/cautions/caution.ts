/** What can hurt someone at the bench, in the order in which it is said. All are common practice. */
export const CAUTION_IDS = [
  'dust',
  'asbestos',
  'microbes',
  'scald',
  'cleaners',
  'salts',
  'fertiliser',
  'concentrates',
  'homeBrew',
  'electricity',
  'lifting',
  'aboveLabel',
] as const

export type CautionId = (typeof CAUTION_IDS)[number]

/** Each once, in the order of the table. */
export function cautionsOf(ids: Iterable<CautionId>): CautionId[] {
  const wanted = new Set(ids)
  return CAUTION_IDS.filter((id) => wanted.has(id))
}
