import { present } from '../present'
import type { DosePlan, StrengthRange, Way } from '../feed/dose'
import type { Measurement } from '../feed/measuring'
import { TOOL_HABITS } from '../feed/tool'
import { printNumber } from '../units/format'
import { printFraction } from '../units/fraction'
import type { Figure } from '../working/figure'
import { darkTest } from './hand-test'
import type { Step } from './step'
import type { Spoken } from './sentence'
import { inSentence } from '../text/plurals'

/** What to do with one tool, in words: `1½ × teaspoon, level`, `12 g on the kitchen scale`. */
export function sayMeasurement({ tool, amount, fills }: Measurement): string {
  const habit = TOOL_HABITS[tool.kind]
  if (habit.measures === 'mass') return `${printNumber(amount.value)} g on the ${inSentence(tool.name)}`
  if (tool.kind === 'syringe') return `${printNumber(amount.value)} mL with the ${inSentence(tool.name)}`
  return `${printFraction(present(fills).value, 0.25)} × ${inSentence(tool.name)}${tool.kind === 'spoon' ? ', level' : ''}`
}

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
  const said = (measurement: Measurement): Spoken => ({
    figure: measurement.amount,
    words: sayMeasurement(measurement),
  })
  const feed = inSentence(request.feedName)
  const vessel = inSentence(request.vesselName)
  const give: Step = {
    id: 'give',
    title: 'Give it from below',
    say: [
      'Into the solid tray under the cells, a quarter of their depth. Pour off what is left after the wait.',
    ],
    waitMinutes: 30,
    waitFor: 'Pour off the feed',
    picture: { kind: 'soak', stands: 0.25, how: 'below' },
    test: darkTest,
    asks: [
      { key: 'givenL', label: 'Really given', dimension: 'volume', expected: request.vesselL.value },
      { key: 'backL', label: 'Came back', dimension: 'volume', expected: null },
    ],
  }
  const half: Step = {
    id: 'water',
    title: `Half fill the ${vessel}`,
    say: ['With water; it holds ', request.vesselL, '.'],
    picture: { kind: 'can', filled: 0.5 },
    workMinutes: 3,
    together: true,
  }
  if (way)
    return [
      half,
      {
        id: 'dose',
        amount: [said(way)],
        picture: { kind: 'can', filled: 0.95 },
        cautions: plan.cautions,
        title: 'Measure the feed',
        say: [
          said(way),
          ` of ${feed}. Stir until it is gone, then top up with water to `,
          request.vesselL,
          '.',
        ],
      },
      give,
    ]
  if (!plan.stock) return []
  const { making, stockL, second, dosing, keepsDays } = plan.stock
  return [
    {
      id: 'stock',
      amount: [said(making)],
      picture: { kind: 'can', filled: 1 },
      cautions: plan.cautions,
      title: 'Make a stock solution',
      say: [
        said(making),
        ` of ${feed}, made up with water to `,
        stockL,
        `. Shake. Label it with name, strength and date; it keeps ${keepsDays} days, dark and cool.`,
      ],
    },
    ...(second
      ? [
          {
            id: 'second',
            title: 'Dilute it once more',
            say: [said(second.taking), ' of the stock, made up with water to ', second.madeUpToL, '. Shake.'],
          },
        ]
      : []),
    half,
    {
      id: 'dose',
      amount: [said(dosing)],
      picture: { kind: 'can', filled: 0.95 },
      title: 'Dose the stock',
      say: [
        said(dosing),
        second
          ? ' of the second dilution, then top up with water to '
          : ' of the stock, then top up with water to ',
        request.vesselL,
        ': the stock is part of it. Stir.',
      ],
    },
    give,
  ]
}
