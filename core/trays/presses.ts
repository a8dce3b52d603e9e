import { present } from '../present'
import { topArea, type Shape } from '../containers/shape'
import { derive, given, type Figure } from '../working/figure'
import { practice } from '../working/source'

const HAND_TOOLS = practice('hand tools of the trade: twenty, five, four or one block at a press')
/** Blocks a hand tool presses at once, by the edge of the block up to so many mm. */
const AT_A_PRESS: readonly { upToMm: number; blocks: number }[] = [
  { upToMm: 25, blocks: 20 },
  { upToMm: 40, blocks: 5 },
  { upToMm: 60, blocks: 4 },
  { upToMm: Infinity, blocks: 1 },
]

/** Presses of a hand tool for so many blocks; a last press is whole. */
export function pressesFor(blocks: number, shape: Shape): Figure {
  const edgeMm = 10 * Math.sqrt(topArea(shape, HAND_TOOLS).value)
  const each = present(AT_A_PRESS.find(({ upToMm }) => edgeMm <= upToMm)).blocks
  return derive(
    'Presses of the tool',
    '',
    'ceil(n / k)',
    {
      n: given('Blocks', blocks, '', practice('as they are laid out')),
      k: given('Blocks at a press', each, '', HAND_TOOLS),
    },
    ({ n, k }) => Math.ceil(n / k),
  )
}
