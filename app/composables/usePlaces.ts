export interface Place {
  path: string
  name: string
  key: string
  what: string
}

/** Where things are done. One key to each. */
export const PLACES: readonly Place[] = [
  { path: '/today', name: 'Today', key: 't', what: 'what is due, late or in danger' },
  { path: '/season', name: 'Season', key: 'e', what: 'ladders on a time axis, and what they ask for' },
  { path: '/', name: 'Bench', key: 'b', what: 'what is planned, and its cards' },
  { path: '/mix', name: 'Mix', key: 'm', what: 'a recipe scaled to what it must fill' },
  { path: '/feed', name: 'Feed', key: 'f', what: 'a feed diluted for a stage' },
  { path: '/stores', name: 'Stores', key: 's', what: 'tools, containers and feeds you own' },
]
