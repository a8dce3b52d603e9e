import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { CONTAINERS } from '../containers/catalogue'
import { cellAt, trayPlan, type Corner } from './drawing'
import { usualGrid } from './layout'

const CORNERS: readonly Corner[] = ['top left', 'top right', 'bottom left', 'bottom right']
const anyPlan = fc
  .record({
    container: fc.constantFrom(...CONTAINERS),
    turned: fc.boolean(),
    corner: fc.constantFrom(...CORNERS),
  })
  .map(({ container, ...how }) => ({
    container,
    ...how,
    grid: usualGrid(container),
    plan: trayPlan(container, usualGrid(container), how),
  }))

describe('a tray from above', () => {
  it('has all its cells inside its rim, none over another, and the first at the marked corner', () => {
    fc.assert(
      fc.property(anyPlan, ({ plan, corner }) => {
        const { cells, widthMm, heightMm, mark } = plan
        for (const { x, y, w, h } of cells) {
          expect(Math.min(x, y, w, h)).toBeGreaterThan(0)
          expect(x + w).toBeLessThan(widthMm)
          expect(y + h).toBeLessThan(heightMm)
        }
        // Neighbours in a row and between rows; with one grid no others can touch.
        cells.slice(1).forEach((one, i) => {
          const before = cells[i]!
          const apartX = one.x >= before.x + before.w || before.x >= one.x + one.w
          const apartY = one.y >= before.y + before.h || before.y >= one.y + one.h
          expect(apartX || apartY).toBe(true)
        })
        const far = ({ x, y, w, h }: (typeof cells)[number]) =>
          Math.hypot(x + w / 2 - mark.x, y + h / 2 - mark.y)
        expect(far(cells[0]!)).toBeCloseTo(Math.min(...cells.map(far)), 6)
        expect([mark.x === 0, mark.y === 0]).toEqual([corner.endsWith('left'), corner.startsWith('top')])
      }),
    )
  })
  it('is the same tray however it is turned: its sides change places and its hollows keep their size', () => {
    fc.assert(
      fc.property(anyPlan, ({ container, grid, corner, plan, turned }) => {
        const other = trayPlan(container, grid, { turned: !turned, corner })
        expect([other.widthMm, other.heightMm]).toEqual([plan.heightMm, plan.widthMm])
        const area = ({ cells }: typeof plan) => cells.reduce((sum, { w, h }) => sum + w * h, 0)
        expect(area(other)).toBeCloseTo(area(plan), 6)
      }),
    )
  })
  it('a finger finds the cell it lies on, also on the web beside it, and none beyond the rim', () => {
    fc.assert(
      fc.property(anyPlan, fc.nat(), ({ plan }, n) => {
        const cell = n % plan.cells.length
        const { x, y, w, h } = plan.cells[cell]!
        expect(cellAt(plan, x + w / 2, y + h / 2)).toBe(cell)
        expect(cellAt(plan, x + w * 0.99, y + 0.5)).toBe(cell)
        expect(cellAt(plan, x + w / 2, y - 1)).not.toBeNull()
        expect(cellAt(plan, plan.widthMm + 20, plan.heightMm / 2)).toBeNull()
        expect(cellAt(plan, plan.widthMm / 2, -20)).toBeNull()
      }),
    )
  })
  it('of a flat of 72 cells of 36 mm is a flat: 28 × 54 cm as far as makers differ [common practice: ±20 %]', () => {
    const tray = CONTAINERS.find(({ id }) => id === 'tray-72')!
    const { widthMm, heightMm } = trayPlan(tray, usualGrid(tray))
    expect(Math.abs(widthMm / 540 - 1)).toBeLessThan(0.2)
    expect(Math.abs(heightMm / 280 - 1)).toBeLessThan(0.2)
  })
})
