import type { Heard, Known } from './reading'

const MOST = 4
const ACTS = ['up', 'potted up', 'planted out', 'lost', 'thinned', 'given away', 'watered', 'fed']
/** As near in volume as what was named [default]. */
const NEAR = Math.log(2.5)

/**
 * What else some words could have been: names that are spelt nearly so, containers of about that size, the other places, the other
 * acts. Each is said in place of the words.
 */
export function othersFor({ as, text, means }: Heard, known: Known): string[] {
  switch (as) {
    case 'crop':
    case 'sowing':
      return known.names
        .like(text)
        .map(({ name }) => name.split(',')[0] ?? name)
        .filter((name) => name !== means)
        .slice(0, MOST)
    case 'container':
    case 'vessel': {
      const now = known.vessels.find(({ name }) => name === means)
      if (!now) return []
      const away = ({ volumeMl }: { volumeMl: number }) => Math.abs(Math.log(volumeMl / now.volumeMl))
      return known.vessels
        .filter((one) => one !== now && one.kind === now.kind && away(one) < NEAR)
        .sort((a, b) => away(a) - away(b))
        .slice(0, MOST)
        .map(({ name }) => `in ${name}`)
    }
    case 'place':
      return [
        ...new Map(
          known.places.flatMap(({ id, name }) => (id === null ? [] : [[id, name] as const])),
        ).values(),
      ]
        .filter((name) => name !== means)
        .slice(0, MOST)
        .map((name) => `on the ${name.toLowerCase()}`)
    case 'act':
      return ACTS.filter((act) => act !== text.toLowerCase()).slice(0, MOST)
    default:
      return []
  }
}
