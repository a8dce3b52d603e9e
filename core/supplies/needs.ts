import type { BatchPlan } from '../media/batch'
import { derive, type Figure } from '../working/figure'

/** So much of something, in the unit it is used by. */
export interface Need {
  readonly kind: 'material' | 'feed'
  readonly id: string
  readonly amount: Figure
}

/** What a batch takes from the supplies: what goes onto the sieve, not what comes through it; extras by the gram. */
export function needsOfBatch(plan: BatchPlan): Need[] {
  return [
    ...plan.lines.map(({ material, looseL, sieve }): Need => ({
      kind: 'material',
      id: material.id,
      amount: sieve ? sieve.bagL : looseL,
    })),
    ...plan.extras.map(({ material, massG, volumeMl }): Need => ({
      kind: 'material',
      id: material.id,
      // A rich medium dosed by the gram comes out of the same bag as the litres.
      amount: material.kind === 'medium' ? litres(volumeMl) : massG,
    })),
  ]
}

const litres = (volumeMl: Figure): Figure =>
  derive(volumeMl.name, 'L', 'V / 1000', { V: volumeMl }, ({ V }) => V / 1000)

/** Needs for the same thing added up, in the order they first come. */
export function addUp(needs: readonly Need[]): { kind: Need['kind']; id: string; amount: number }[] {
  const sums = new Map<string, { kind: Need['kind']; id: string; amount: number }>()
  for (const { kind, id, amount } of needs) {
    const key = `${kind} ${id}`
    const sum = sums.get(key) ?? { kind, id, amount: 0 }
    sum.amount += amount.value
    sums.set(key, sum)
  }
  return [...sums.values()]
}
