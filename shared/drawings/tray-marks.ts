import type { Group } from '#core/trays/layout'
import { cellState, standingIn, type Cell, type CellState } from '#core/trays/standing'

/** What a variety looks like beside its letter: each its own hatch, so that no colour is needed. */
export const HATCHES = [
  'M0 6L6 0',
  'M0 0L6 6',
  'M3 0V6',
  'M0 3H6',
  'M0 6L6 0M0 0L6 6',
  'M3 0V6M0 3H6',
  'M1.5 1.5h1v1h-1zM4.5 4.500h1v1h-1z',
  'M0 3Q1.5 1 3 3T6 3',
] as const

/** The hatch of a group, by its place in the tray. */
export const hatchOf = (index: number): number => index % HATCHES.length

const GLYPHS: Record<CellState, (n: number, r: number) => string> = {
  empty: () => '',
  reserved: () => '',
  // A seed is a dot; more than six are told by their number.
  sown: (n, r) => dots(Math.min(n, 6), r),
  blank: (_, r) =>
    `M${-r * 0.32} 0a${r * 0.32} ${r * 0.32} 0 1 0 ${r * 0.64} 0a${r * 0.32} ${r * 0.32} 0 1 0 ${-r * 0.64} 0`,
  up: (_, r) => sprout(0, r),
  doubled: (_, r) => sprout(-r * 0.36, r * 0.75) + sprout(r * 0.36, r * 0.75),
  thinned: (_, r) => `${sprout(0, r)}M${r * 0.35} ${r * 0.62}h${r * 0.4}`,
  lost: (_, r) =>
    `M${-r * 0.45} ${-r * 0.45}L${r * 0.45} ${r * 0.45}M${r * 0.45} ${-r * 0.45}L${-r * 0.45} ${r * 0.45}`,
  moved: (_, r) =>
    `M${-r * 0.45} ${r * 0.45}L${r * 0.45} ${-r * 0.45}M${-r * 0.05} ${-r * 0.45}H${r * 0.45}V${r * 0.05}`,
}

function sprout(x: number, r: number): string {
  return `M${x} ${r * 0.7}V${-r * 0.1}M${x} ${-r * 0.05}C${x - r * 0.8} ${-r * 0.05} ${x - r * 0.75} ${-r * 0.75} ${x - r * 0.7} ${-r * 0.75}C${x - r * 0.1} ${-r * 0.75} ${x} ${-r * 0.4} ${x} ${-r * 0.05}C${x} ${-r * 0.4} ${x + r * 0.1} ${-r * 0.75} ${x + r * 0.7} ${-r * 0.75}C${x + r * 0.75} ${-r * 0.75} ${x + r * 0.8} ${-r * 0.05} ${x} ${-r * 0.05}`
}

function dots(n: number, r: number): string {
  const size = r * 0.13
  return Array.from({ length: n }, (_, i) => {
    const x = (i - (n - 1) / 2) * Math.min(r * 0.45, (r * 1.6) / n)
    return `M${x - size} 0a${size} ${size} 0 1 0 ${size * 2} 0a${size} ${size} 0 1 0 ${-size * 2} 0`
  }).join('')
}

/** The mark of a state, around 0, 0, as large as `r`. */
export const glyph = (state: CellState, n: number, r: number): string => GLYPHS[state](n, r)

const WORDS: Record<CellState, (cell: Cell) => string> = {
  empty: () => 'empty',
  reserved: () => 'not sown yet',
  sown: ({ sown }) => `sown, ${sown}`,
  blank: () => 'nothing up',
  up: (cell) => `${standingIn(cell)} ${cell.set > 0 ? 'set' : 'up'}`,
  doubled: (cell) => `${standingIn(cell)} stand together`,
  thinned: () => 'thinned to one',
  lost: () => 'lost',
  moved: () => 'moved on',
}

/** A cell in words: whose it is, and how it stands. */
export function cellWords(cell: Cell, group: Group | undefined, state: CellState): string {
  return group ? `${group.code}, ${group.name}: ${WORDS[state](cell)}` : 'empty'
}

export { cellState }

/** A stroke of the hand over cells: it begins, goes on, ends, or was none after all. */
export type StrokeAt = 'begin' | 'go on' | 'end' | 'cancel'
