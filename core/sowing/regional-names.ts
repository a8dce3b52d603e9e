import type { Crop } from './crop'

/** Whose words a household reads. */
export type English = 'american' | 'british'

/** What the book’s crops are called in American English where that differs [common usage]. */
const AMERICAN: Readonly<Record<string, string>> = {
  aubergine: 'Eggplant',
  courgette: 'Zucchini',
  sweetcorn: 'Sweet corn',
  'french-bean': 'Bush bean',
  'climbing-bean': 'Pole bean',
  'broad-bean': 'Fava bean',
  rocket: 'Arugula',
  'lambs-lettuce': 'Mâche',
  'pak-choi': 'Bok choy',
  'chinese-cabbage': 'Napa cabbage',
  'spring-onion': 'Scallion',
  beetroot: 'Beet',
  coriander: 'Cilantro',
}

/**
 * A crop under the name it has in an English; the name it has in the other is among those it is also called. A name that a
 * household gave it stays.
 *
 * @param bookName what the built-in list calls it; nothing for a crop of a household’s own
 */
export function inEnglish(crop: Crop, english: English, bookName: string | undefined): Crop {
  const american = AMERICAN[crop.id]
  if (!american || !bookName || (crop.name !== bookName && crop.name !== american)) return crop
  const [name, other] = english === 'american' ? [american, bookName] : [bookName, american]
  return crop.name === name
    ? crop
    : { ...crop, name, alsoCalled: [...new Set([...crop.alsoCalled, other])].filter((one) => one !== name) }
}

/** American words where dates are written so, or where nothing is said and cups are American. */
export function englishOf(locale: string | null | undefined, units: string): English {
  if (locale) return /^en-(US|CA|PH|LR)$/i.test(locale) ? 'american' : 'british'
  return units === 'us' ? 'american' : 'british'
}
