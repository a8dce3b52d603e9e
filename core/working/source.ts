import { present } from '../present'
/**
 * Where a figure comes from, and how far to trust it.
 *
 * - `standard`: exact by definition, or a published standard
 * - `handbook`: a handbook or paper
 * - `practice`: a fact of the trade with no single source
 * - `default`: our starting value, meant to be corrected by the household's own measurements
 * - `yours`: typed or measured by the household
 */
export type SourceTag = 'standard' | 'handbook' | 'practice' | 'default' | 'yours'

/** Each tag by name, with how far to trust it, from the firmest to the household’s own. */
export const SOURCE_TAGS: readonly {
  readonly id: SourceTag
  readonly name: string
  readonly means: string
}[] = [
  { id: 'standard', name: 'standard', means: 'Exact by definition, or a published standard.' },
  {
    id: 'handbook',
    name: 'handbook',
    means: 'A handbook or paper by name, its value recalled rather than copied.',
  },
  { id: 'practice', name: 'common practice', means: 'A fact of the trade that has no one source.' },
  { id: 'default', name: 'default', means: 'A starting value, to be corrected by your own measurements.' },
  { id: 'yours', name: 'yours', means: 'Typed, measured or learned in this household; it has no list.' },
]
export const sourceTagName = (tag: SourceTag): string =>
  present(SOURCE_TAGS.find(({ id }) => id === tag)).name

export interface Source {
  readonly tag: SourceTag
  /** The work by name, or a few words on why. */
  readonly cite: string
}

/**
 * A published standard, by name.
 *
 * @example standard('FAO-56').cite // 'FAO-56'
 */
export const standard = (cite: string): Source => ({ tag: 'standard', cite })
/**
 * Handbook values here were recalled, not copied from the page, and say so.
 *
 * @example handbook('plug culture').cite // 'plug culture, from memory'
 */
export const handbook = (cite: string): Source => ({ tag: 'handbook', cite: `${cite}, from memory` })
/**
 * A habit of the trade that has no one source.
 *
 * @example practice().cite // 'common practice'
 */
export const practice = (cite = 'common practice'): Source => ({ tag: 'practice', cite })
/** A starting value that the household's own measurements correct. */
export const byDefault = (cite = 'starting default, correct it with your own'): Source => ({
  tag: 'default',
  cite,
})
/**
 * Entered or measured by the household.
 *
 * @example yours().cite // 'as you entered it'
 */
export const yours = (cite = 'as you entered it'): Source => ({ tag: 'yours', cite })

/** Measured by the household so often, and weighed against the default; the default’s own where nothing was measured. */
export const learnedSource = (n: number, fallback: Source): Source =>
  n === 0 ? fallback : yours(`learned from ${n} ${n === 1 ? 'measurement' : 'measurements'} of yours`)
