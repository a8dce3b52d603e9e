/** What growers do against damping-off and gnats, and why [common practice]. */
export interface SanitationSchool {
  readonly id: 'none' | 'hot water'
  readonly name: string
  readonly why: string
  readonly cost: string
}

export const SANITATION_SCHOOLS: readonly SanitationSchool[] = [
  {
    id: 'none',
    name: 'Nothing: keep it alive',
    why: 'A living mix keeps its own order.',
    cost: 'Gnats and damping-off now and then; dry the surface, give air.',
  },
  {
    id: 'hot water',
    name: 'Hot water',
    why: 'Kills gnats, weed seed and most damping-off fungi without chemicals.',
    cost: 'An evening, and the life that compost and castings bring.',
  },
]
