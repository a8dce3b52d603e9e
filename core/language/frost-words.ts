import { present } from '../present'
import { at as elementAt, first } from '../numeric/at'
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
 */
export function readFrosts(text: string, calendar: Omit<Calendar, 'frosts'>): FrostsSaid {
  const words = wordsOf(text)
    .map(({ plain }) => plain)
    .filter((word) => !/^frosts?$/.test(word))
  const found: { day: Day; which: 'last' | 'first' | null }[] = []
  let which: 'last' | 'first' | null = null
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
  if (found.length === 0)
    return NEVER.test(text)
      ? { kind: 'never' }
      : { kind: 'asks', question: 'Say both, as: last 8 May, first 12 October. Or: never.' }
  if (found.length === 1)
    return {
      kind: 'asks',
      question:
        first(found).which === 'first'
          ? 'And the last frost of spring?'
          : first(found).which === 'last'
            ? 'And the first frost of autumn?'
            : 'Is that the last frost of spring or the first of autumn? Say both.',
    }
  if (found.length > 2)
    return { kind: 'asks', question: 'That is more than two days: say the last and the first frost.' }
  const [one, other] = found as [(typeof found)[0], (typeof found)[0]]
  if (one.which !== null && one.which === other.which)
    return { kind: 'asks', question: `Both are the ${one.which} frost: which is the other?` }
  const earlier = one.day.slice(5) <= other.day.slice(5) ? one : other
  const spring =
    [one, other].find((day) => day.which === 'last') ??
    (one.which === 'first' ? other : other.which === 'first' ? one : earlier)
  const autumn = spring === one ? other : one
  return { kind: 'frosts', ...inOneSeason(spring.day, autumn.day, calendar.today) }
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
