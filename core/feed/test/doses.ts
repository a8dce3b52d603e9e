import { planDose } from '../dose'
import { FEEDS } from '../feeds'
import { dissolvesNitrogen } from '../feed'

const tools = [
  { id: 't', name: 'teaspoon', kind: 'spoon', capacityMl: 5 },
  { id: 's', name: 'syringe', kind: 'syringe', capacityMl: 10 },
  { id: 'k', name: 'scale', kind: 'kitchen scale', capacityMl: null },
] as const

/** A dose of every feed that gives nitrogen in water. */
export const doses = FEEDS.filter(dissolvesNitrogen).map((feed) =>
  planDose({
    feed,
    tools,
    growthStageId: 'seed-leaves',
    targetNMgPerL: 40,
    vessel: { name: 'jug', volumeL: 1 },
  }),
)
