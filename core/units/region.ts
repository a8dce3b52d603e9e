import type { UnitSystem } from './unit'

/** Countries by their measures [standard: Unicode CLDR, supplemental measurement data, from memory]. */
const US = ['US', 'LR', 'MM']
const IMPERIAL = ['GB']

/** The kitchen somebody most likely stands in, by the language region of their browser: a guess that is shown and changed. */
export function unitsOfRegion(tags: readonly string[]): { units: UnitSystem; region: string | null } {
  for (const tag of tags) {
    const region = regionOf(tag)
    if (region)
      return {
        units: US.includes(region) ? 'us' : IMPERIAL.includes(region) ? 'imperial' : 'metric',
        region,
      }
  }
  return { units: 'metric', region: null }
}

/** The region of a language tag, as `GB` of `en-GB`; null where it has none, or is no tag. */
export function regionOf(tag: string): string | null {
  try {
    return new Intl.Locale(tag).region ?? null
  } catch {
    return null
  }
}
