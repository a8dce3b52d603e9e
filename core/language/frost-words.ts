import { present } from '../present'
import { at as elementAt } from '../numeric/at'
import { addDays, dayFrom, type Day } from '../calendar/day'
import { dayAtHead, type Calendar } from './day-words'
import { wordsOf } from '../text/words'

/** What somebody said of their frosts. */
export type FrostsSaid =
  | { readonly kind: 'frosts'; readonly lastFrost: Day; readonly firstFrost: Day }
  | { readonly kind: 'never' }
  | { readonly kind: 'asks'; readonly question: string }

const NEVER = /\b(?:no|never|without|none|free)\b/i
const SPRING = /^(?:last|spring)$/
const AUTUMN = /^(?:first|autumn|fall)$/
/** So near to autumn’s frost it is the next season that is planned [default]. */
const ALMOST_OVER_DAYS = 60

/**
 * Frosts as they are typed: `last 8 May, first 12 October`, `8.5. to 12.10.`, `never`. Without a word that says which, the one
 * earlier in the year is spring’s. The year is that of the season to come.
 *
 * @returns both frosts, that there are none, or a question
 * @example readFrosts('never', { today: '2027-01-01' }) // ({ kind: 'never' })
 */
export function readFrosts(text: string, calendar: Omit<Calendar, 'frosts'>): FrostsSaid {
  const words = wordsOf(text)
    .map(({ plain }) => plain)
    .filter((word) => !/^frosts?$/.test(word))
  const found: FrostDay[] = []
  let which: FrostDay['which'] = null
  for (let at = 0; at < words.length;) {
    const word = elementAt(words, at)
    // `last week of May` is a day; `last frost` says which.
    const read = dayAtHead(words.slice(at).join(' '), { ...calendar, frosts: null })
    if (read?.day) {
      found.push({ day: read.day, which })
      which = null
      at += read.words
      continue
    }
    if (read?.problem || (read && !read.day))
      return { kind: 'asks', question: `There is no ${words.slice(at, at + read.words).join(' ')}.` }
    if (SPRING.test(word)) which = 'last'
    if (AUTUMN.test(word)) which = 'first'
    at++
  }
  if (found.length === 0 && NEVER.test(text)) return { kind: 'never' }
  const [one, other] = found
  if (!one || !other || found.length > 2) return { kind: 'asks', question: askedOf(found) }
  if (one.which !== null && one.which === other.which)
    return { kind: 'asks', question: `Both are the ${one.which} frost: which is the other?` }
  const spring = springOf(one, other)
  const autumn = spring === one ? other : one
  return { kind: 'frosts', ...inOneSeason(spring.day, autumn.day, calendar.today) }
}

interface FrostDay {
  readonly day: Day
  readonly which: 'last' | 'first' | null
}

const ASKED_AFTER_ONE = {
  first: 'And the last frost of spring?',
  last: 'And the first frost of autumn?',
  none: 'Is that the last frost of spring or the first of autumn? Say both.',
} as const

/** What is asked where it is not two days that were said. */
function askedOf(found: readonly FrostDay[]): string {
  const [one] = found
  if (!one) return 'Say both, as: last 8 May, first 12 October. Or: never.'
  return found.length > 1
    ? 'That is more than two days: say the last and the first frost.'
    : ASKED_AFTER_ONE[one.which ?? 'none']
}

/** Which of two days is the last frost: as it was said, else the earlier in the year. */
function springOf(one: FrostDay, other: FrostDay): FrostDay {
  if (one.which === 'last' || other.which === 'first') return one
  if (other.which === 'last' || one.which === 'first') return other
  return one.day.slice(5) <= other.day.slice(5) ? one : other
}

/** The last frost before the first, in the season that is to come. */
function inOneSeason(spring: Day, autumn: Day, today: Day): { lastFrost: Day; firstFrost: Day } {
  const inYear = (day: Day, year: number) =>
    dayFrom(`${year}-${day.slice(5) === '02-29' ? '02-28' : day.slice(5)}`)
  const now = Number(today.slice(0, 4))
  const firstFrost = present(
    [now, now + 1, now + 2]
      .map((year) => inYear(autumn, year))
      .find((day) => addDays(day, -ALMOST_OVER_DAYS) > today),
  )
  const year = Number(firstFrost.slice(0, 4))
  const same = inYear(spring, year)
  return { lastFrost: same < firstFrost ? same : inYear(spring, year - 1), firstFrost }
}
