import { handbook, standard, type Source } from '../working/source'
import type { Container, ContainerKind } from './container'
import { round, square, type Shape } from './shape'

const TYPICAL = handbook('typical inside measures, makers differ by ±20 %')
const TRADE_GALLON = handbook('ANSI Z60.1 container class; a shape that falls inside it')
const EXACT = standard('cube of the named edge, 1 in = 25.4 mm')
const MM_PER_INCH = 25.4

function container(
  id: string,
  name: string,
  kind: ContainerKind,
  cells: number,
  shape: Shape,
  source: Source = TYPICAL,
): Container {
  return { id, name, kind, cells, shape, source }
}

const block = (id: string, inches: string, edgeIn: number) => {
  const edge = edgeIn * MM_PER_INCH
  return container(id, `${inches} in block`, 'block', 1, square(edge, edge, edge), EXACT)
}

/** Containers anybody may own. A household's own, and its measured volumes, are kept with the household. */
export const CONTAINERS: readonly Container[] = [
  container('tray-24', '24-cell tray', 'tray', 24, square(62, 45, 60)),
  container('tray-36', '36-cell tray', 'tray', 36, square(52, 38, 58)),
  container('tray-50', '50-cell tray', 'tray', 50, square(47, 32, 57)),
  container('tray-72', '72-cell tray', 'tray', 72, square(36, 20, 57)),
  container('tray-98', '98-cell tray', 'tray', 98, square(30, 18, 50)),
  container('tray-128', '128-cell tray', 'tray', 128, square(28, 16, 48)),
  container('tray-200', '200-cell plug tray', 'tray', 200, square(21, 12, 44)),
  container('tray-288', '288-cell plug tray', 'tray', 288, square(17, 10, 38)),
  container('tray-512', '512-cell plug tray', 'tray', 512, square(13, 8, 25)),
  container('six-pack', 'Six-pack', 'tray', 6, square(54, 40, 57)),
  container('open-tray', 'Open tray, 28 × 54 cm', 'open tray', 1, {
    form: 'rectangular',
    topLengthMm: 540,
    topWidthMm: 280,
    baseLengthMm: 520,
    baseWidthMm: 260,
    depthMm: 55,
  }),
  container('pot-2.5in', '2½ in square pot', 'pot', 1, square(64, 48, 64)),
  container('pot-3in', '3 in square pot', 'pot', 1, square(76, 55, 76)),
  container('pot-10cm', '10 cm round pot', 'pot', 1, round(100, 75, 90)),
  container('cup-pint', 'Pint cup, corners snipped', 'pot', 1, round(90, 58, 115)),
  container('trade-1', '#1 nursery pot (trade gallon)', 'pot', 1, round(165, 140, 160), TRADE_GALLON),
  container('trade-2', '#2 nursery pot', 'pot', 1, round(220, 185, 200), TRADE_GALLON),
  container('trade-3', '#3 nursery pot', 'pot', 1, round(275, 235, 220), TRADE_GALLON),
  container('trade-5', '#5 nursery pot', 'pot', 1, round(290, 250, 280), TRADE_GALLON),
  block('block-0.75in', '¾', 0.75),
  block('block-1.5in', '1½', 1.5),
  block('block-2in', '2', 2),
  block('block-4in', '4', 4),
]
