import { withArticle } from '#core/text/plurals'
import type { PlannedStage } from '#core/season/schedule/sowing-request'
import { messages, pluralOf } from './message'

const say = messages({
  one: '{name}',
  many: '{n} × {name}',
  shared: '{n, plural, one {# cell} other {# cells}} of a shared {name}',
  both: '{whole} and {rest}',
  each: '{what}, {n} plants in each',
})

const containers = (n: number, name: string) =>
  n === 1 ? say('one', { name: withArticle(name) }) : say('many', { n, name: pluralOf(n, name) })

/** `a 72-cell tray`, `51 × 10 cm round pots`, `4 cells of a shared 24-cell tray`. */
export function sayContainers(
  { fill, cells, placed }: Pick<PlannedStage, 'fill' | 'cells' | 'placed'>,
  nameOf: (name: string) => string = (name) => name,
): string {
  const { container, count, plants } = fill
  const name = nameOf(container.name)
  const what = () => {
    if (!placed?.sharesWith.length) return containers(count, name)
    const whole = Math.floor(cells / container.cells)
    const rest = say('shared', { n: cells % container.cells, name })
    return whole ? say('both', { whole: containers(whole, name), rest }) : rest
  }
  return plants && plants > 1 ? say('each', { what: what(), n: plants }) : what()
}
