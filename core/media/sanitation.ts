/** What growers do against damping-off and gnats, and why [common practice]. */
export interface SanitationMethod {
  readonly id: 'none' | 'hot soak' | 'hot water'
  readonly name: string
  readonly why: string
  readonly cost: string
}

export const SANITATION_METHODS: readonly SanitationMethod[] = [
  {
    id: 'none',
    name: 'Nothing: keep it alive',
    why: 'A living mix keeps its own order.',
    cost: 'Gnats and damping-off now and then; dry the surface, give air.',
  },
  {
    id: 'hot soak',
    name: 'Hot water over the coir alone',
    why: 'The coir is soaked boiling; what is alive, and what comes clean from its bag, stays as it is.',
    cost: 'Some hours until it has cooled; what the other materials bring is left in.',
  },
  {
    id: 'hot water',
    name: 'Hot water over the whole mix',
    why: 'Kills gnats, weed seed and most damping-off fungi without chemicals.',
    cost: 'An evening, and the life that compost and castings bring.',
  },
]
