import type { DosePlan, StrengthRange, Way } from '../feed/dose'
import type { Measurement } from '../feed/measuring'
import type { Figure } from '../working/figure'
import { darkTest } from './hand-test'
import { yesNo, type Fact, type Step } from './step'

/** The way that will be used: the one chosen, else the best in its fair range; undefined when a stock is better. */
export function wayToUse(plan: DosePlan, toolId: string | null): Way | undefined {
  const chosen = plan.ways.find(({ tool, fit }) => tool.id === toolId && fit !== 'too small')
  if (chosen) return chosen
  return plan.stock ? undefined : plan.ways.find(({ fit }) => fit === 'fair')
}

/** The strength that will really be given. */
export function strengthToExpect(plan: DosePlan, toolId: string | null): StrengthRange | undefined {
  return (wayToUse(plan, toolId) ?? plan.stock)?.strength
}

/** From feed and jug to watered tray. Empty when nothing at hand can measure the dose. */
export function feedSteps(
  plan: DosePlan,
  request: { feedName: string; vesselName: string; vesselL: Figure; toolId: string | null },
): Step[] {
  const way = wayToUse(plan, request.toolId)
  const dosed = (measurement: Measurement): Fact => ({ measured: measurement })
  const { feedName: feed, vesselName: vessel, vesselL: holds } = request
  const give: Step = {
    id: 'give',
    kind: 'give',
    waitMinutes: 30,
    picture: { kind: 'soak', stands: 0.25, how: 'below' },
    test: darkTest,
    asks: [
      { key: 'givenL', dimension: 'volume', expected: holds.value },
      { key: 'backL', dimension: 'volume', expected: null },
    ],
  }
  const half: Step = {
    id: 'water',
    kind: 'half fill',
    values: { vessel, holds },
    picture: { kind: 'can', filled: 0.5 },
    workMinutes: 3,
    together: true,
  }
  if (way)
    return [
      half,
      {
        id: 'dose',
        kind: 'dose',
        values: { dose: dosed(way), feed, holds },
        picture: { kind: 'can', filled: 0.95 },
        cautions: plan.cautions,
      },
      give,
    ]
  if (!plan.stock) return []
  const { making, stockL, second, dosing, keepsDays } = plan.stock
  return [
    {
      id: 'stock',
      kind: 'stock',
      values: { making: dosed(making), feed, stock: stockL, days: keepsDays },
      picture: { kind: 'can', filled: 1 },
      cautions: plan.cautions,
    },
    ...(second
      ? [
          {
            id: 'second',
            kind: 'dilute' as const,
            values: { taking: dosed(second.taking), to: second.madeUpToL },
          },
        ]
      : []),
    half,
    {
      id: 'dose',
      kind: 'dose stock',
      values: { dose: dosed(dosing), second: yesNo(!!second), holds },
      picture: { kind: 'can', filled: 0.95 },
    },
    give,
  ]
}
