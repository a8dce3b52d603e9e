import { builtIn } from '../catalogue'
import { handbook, practice, standard, yours, type Source } from '../working/source'
import type { Container, ContainerKind } from './container'
import { round, square, type Shape } from './shape'

/** A tray is sold by its count of cells. */
const COUNTED = practice('the count in its name')
const WEIGHED = yours('the water it holds, as you weighed or measured it')
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
  measures: Source,
): Container {
  return {
    id,
    name,
    kind,
    cells,
    shape,
    sources: { cells: COUNTED, shape: measures, measuredVolumeMl: WEIGHED },
  }
}

/** Length and width of top and base, mm. */
const oblong = (top: [number, number], base: [number, number], depthMm: number): Shape => ({
  form: 'rectangular',
  topLengthMm: top[0],
  topWidthMm: top[1],
  baseLengthMm: base[0],
  baseWidthMm: base[1],
  depthMm,
})

const block = (id: string, inches: string, edgeIn: number) => {
  const edge = edgeIn * MM_PER_INCH
  return container(id, `${inches} in block`, 'block', 1, square(edge, edge, edge), EXACT)
}

/** Containers anybody may own. A household's own, and its measured volumes, are kept with the household. */
// prettier-ignore
export const CONTAINERS: readonly Container[] = [
  container('tray-24', '24-cell tray', 'tray', 24, square(62, 45, 60), TYPICAL),
  container('tray-36', '36-cell tray', 'tray', 36, square(52, 38, 58), TYPICAL),
  container('tray-50', '50-cell tray', 'tray', 50, square(47, 32, 57), TYPICAL),
  container('tray-72', '72-cell tray', 'tray', 72, square(36, 20, 57), TYPICAL),
  container('tray-98', '98-cell tray', 'tray', 98, square(30, 18, 50), TYPICAL),
  container('tray-128', '128-cell tray', 'tray', 128, square(28, 16, 48), TYPICAL),
  container('tray-200', '200-cell plug tray', 'tray', 200, square(21, 12, 44), TYPICAL),
  container('tray-288', '288-cell plug tray', 'tray', 288, square(17, 10, 38), TYPICAL),
  container('tray-512', '512-cell plug tray', 'tray', 512, square(13, 8, 25), TYPICAL),
  container('tray-18-deep', '18-cell deep tray', 'tray', 18, square(62, 44, 110), TYPICAL),
  container('tray-32-deep', '32-cell deep root trainer', 'tray', 32, square(42, 30, 120), TYPICAL),
  container('tray-40', '40-cell tray', 'tray', 40, square(50, 35, 57), TYPICAL),
  container('tray-80', '80-cell tray', 'tray', 80, square(33, 22, 55), TYPICAL),
  container('tray-21', '21-cell tray', 'tray', 21, square(64, 48, 60), TYPICAL),
  container('tray-48', '48-cell tray', 'tray', 48, square(42, 30, 57), TYPICAL),
  container('four-pack', 'Four-pack', 'tray', 4, square(64, 48, 60), TYPICAL),
  container('nine-pack', 'Nine-pack', 'tray', 9, square(45, 32, 55), TYPICAL),
  container('twelve-pack', 'Twelve-pack', 'tray', 12, square(40, 28, 52), TYPICAL),
  container('half-tray-24', 'Half tray of 24', 'tray', 24, square(42, 28, 50), TYPICAL),
  container('six-pack', 'Six-pack', 'tray', 6, square(54, 40, 57), TYPICAL),
  container('six-pack-small', 'Six-pack, small (72 to a flat)', 'tray', 6, square(38, 26, 57), TYPICAL),
  container('seed-tray', 'Full seed tray, 38 × 24 cm', 'open tray', 1, oblong([360, 220], [340, 200], 52), TYPICAL),
  container('half-seed-tray', 'Half seed tray, 23 × 17 cm', 'open tray', 1, oblong([215, 155], [200, 140], 52), TYPICAL),
  container('open-tray', 'Open tray, 28 × 54 cm', 'open tray', 1, oblong([540, 280], [520, 260], 55), TYPICAL),
  container(
    'half-open-tray',
    'Half open tray, 28 × 26 cm',
    'open tray',
    1,
    oblong([280, 260], [260, 240], 55), TYPICAL),
  container('trough-300', 'Trough, 300 mm', 'open tray', 1, oblong([300, 150], [275, 130], 130), TYPICAL),
  container('wooden-tray', 'Wooden tray, 35 × 23 cm', 'open tray', 1, oblong([350, 230], [350, 230], 70), TYPICAL),
  container('pot-7cm-square', '7 cm square pot', 'pot', 1, square(70, 50, 70), TYPICAL),
  container('pot-8cm-square', '8 cm square pot', 'pot', 1, square(80, 58, 80), TYPICAL),
  container('pot-9cm-square', '9 cm square pot', 'pot', 1, square(90, 64, 90), TYPICAL),
  container('pot-4in', '4 in square pot', 'pot', 1, square(102, 76, 95), TYPICAL),
  container('pot-2.5in', '2½ in square pot', 'pot', 1, square(64, 48, 64), TYPICAL),
  container('pot-3in', '3 in square pot', 'pot', 1, square(76, 55, 76), TYPICAL),
  container('pot-10cm', '10 cm round pot', 'pot', 1, round(100, 75, 90), TYPICAL),
  container('pot-9cm', '9 cm round pot', 'pot', 1, round(90, 66, 80), TYPICAL),
  container('pot-11cm', '11 cm round pot', 'pot', 1, round(110, 80, 100), TYPICAL),
  container('pot-13cm', '13 cm round pot', 'pot', 1, round(130, 95, 118), TYPICAL),
  container('pot-15cm', '15 cm round pot', 'pot', 1, round(150, 110, 138), TYPICAL),
  container('pot-19cm', '19 cm round pot', 'pot', 1, round(190, 140, 175), TYPICAL),
  container('paper-5cm', 'Paper pot, 5 cm', 'pot', 1, round(50, 50, 75), TYPICAL),
  container('pellet-36', 'Pellet, 36 mm, swollen', 'pot', 1, round(40, 40, 38), TYPICAL),
  container('pellet-42', 'Pellet, 42 mm, swollen', 'pot', 1, round(45, 45, 45), TYPICAL),
  container('paper-tube', 'Paper tube, 4.5 × 10 cm', 'pot', 1, round(45, 45, 100), TYPICAL),
  container('jug-cut', 'Milk jug cut open, 15 × 15 cm', 'open tray', 1, oblong([150, 150], [145, 145], 110), TYPICAL),
  container('paper-7cm', 'Paper pot, 7 cm', 'pot', 1, round(70, 70, 90), TYPICAL),
  container('cup-quarter-litre', 'Quarter-litre cup, corners snipped', 'pot', 1, round(74, 54, 80), TYPICAL),
  container('cup-pint', 'Pint cup, corners snipped', 'pot', 1, round(90, 58, 115), TYPICAL),
  container('trade-1', '#1 nursery pot (trade gallon)', 'pot', 1, round(165, 140, 160), TRADE_GALLON),
  container('trade-2', '#2 nursery pot', 'pot', 1, round(220, 185, 200), TRADE_GALLON),
  container('trade-3', '#3 nursery pot', 'pot', 1, round(275, 235, 220), TRADE_GALLON),
  container('trade-5', '#5 nursery pot', 'pot', 1, round(290, 250, 280), TRADE_GALLON),
  container('trade-7', '#7 nursery pot', 'pot', 1, round(350, 295, 290), TRADE_GALLON),
  container('trade-10', '#10 nursery pot', 'pot', 1, round(430, 370, 320), TRADE_GALLON),
  container('pot-1l', '1 litre pot', 'pot', 1, round(130, 95, 101), TYPICAL),
  container('pot-2l', '2 litre pot', 'pot', 1, round(170, 125, 117), TYPICAL),
  container('pot-3l', '3 litre pot', 'pot', 1, round(190, 145, 136), TYPICAL),
  container('pot-5l', '5 litre pot', 'pot', 1, round(225, 170, 163), TYPICAL),
  container('pot-7.5l', '7.5 litre pot', 'pot', 1, round(255, 200, 184), TYPICAL),
  container('pot-10l', '10 litre pot', 'pot', 1, round(280, 220, 203), TYPICAL),
  container('bucket-5gal', '5 gal bucket', 'pot', 1, round(285, 260, 325), TYPICAL),
  container('bag-3gal', '3 gal fabric bag', 'pot', 1, round(255, 255, 220), TYPICAL),
  container('bag-5gal', '5 gal fabric bag', 'pot', 1, round(300, 300, 265), TYPICAL),
  container('bag-7gal', '7 gal fabric bag', 'pot', 1, round(350, 350, 275), TYPICAL),
  container('bag-8gal', '8 gal fabric bag', 'pot', 1, round(370, 370, 282), TYPICAL),
  container('bag-16gal', '16 gal fabric bag', 'pot', 1, round(480, 480, 335), TYPICAL),
  container('bag-10gal', '10 gal fabric bag', 'pot', 1, round(400, 400, 300), TYPICAL),
  block('block-0.75in', '¾', 0.75),
  block('block-1.25in', '1¼', 1.25),
  block('block-1.5in', '1½', 1.5),
  block('block-2in', '2', 2),
  block('block-4in', '4', 4),
]

export const BUILT_IN_CONTAINERS = builtIn(CONTAINERS)
