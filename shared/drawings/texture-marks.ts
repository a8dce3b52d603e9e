/**
 * Each material has its own texture as well as its name, so that a drawing can be read without colour.
 * A texture is a tile of marks, scattered by a small seeded generator so that it is the same on server and client.
 */
import { mulberry32 } from '#core/numeric/random'

export interface Texture {
  readonly id: string
  /** SVG path data in a TILE × TILE square. */
  readonly lines: string
  /** Path data of marks that are filled rather than drawn. */
  readonly grains: string
}

export const TILE = 112

type Place = { x: number; y: number; turn: number; size: number }
type Mark = (place: Place) => string

const n = (value: number) => value.toFixed(1)

const fibre: Mark = ({ x, y, turn, size }) => {
  const reach = 7 + 9 * size
  const [dx, dy] = [Math.cos(turn) * reach, Math.sin(turn) * reach]
  return `M${n(x)} ${n(y)}q${n(dx / 2 - dy / 4)} ${n(dy / 2 + dx / 4)} ${n(dx)} ${n(dy)}`
}
const crumb: Mark = ({ x, y, turn, size }) => {
  const reach = 1.5 + 3 * size
  return `M${n(x)} ${n(y)}l${n(Math.cos(turn) * reach)} ${n(Math.sin(turn) * reach)}`
}
const accordion: Mark = ({ x, y, turn, size }) => {
  const [c, s] = [Math.cos(turn), Math.sin(turn)]
  const width = 2.5 + 2 * size
  return [0, 1, 2, 3]
    .map(
      (k) =>
        `M${n(x + c * k * 1.9 - s * width)} ${n(y + s * k * 1.9 + c * width)}l${n(2 * s * width)} ${n(-2 * c * width)}`,
    )
    .join('')
}
const bead: Mark = ({ x, y, size }) => {
  const r = 1.6 + 2.6 * size
  return `M${n(x - r)} ${n(y)}a${n(r)} ${n(r)} 0 1 0 ${n(2 * r)} 0a${n(r)} ${n(r)} 0 1 0 ${n(-2 * r)} 0`
}
const dot: Mark = ({ x, y, size }) => {
  const r = 0.5 + 0.6 * size
  return `M${n(x - r)} ${n(y)}a${n(r)} ${n(r)} 0 1 0 ${n(2 * r)} 0a${n(r)} ${n(r)} 0 1 0 ${n(-2 * r)} 0`
}
const pellet: Mark = ({ x, y, turn, size }) => {
  const [long, short] = [1.8 + size, 1.1 + 0.5 * size]
  const [dx, dy] = [Math.cos(turn) * long, Math.sin(turn) * long]
  const turned = n((turn * 180) / Math.PI)
  return `M${n(x - dx)} ${n(y - dy)}a${n(long)} ${n(short)} ${turned} 1 0 ${n(2 * dx)} ${n(2 * dy)}a${n(long)} ${n(short)} ${turned} 1 0 ${n(-2 * dx)} ${n(-2 * dy)}`
}
const hull: Mark = ({ x, y, turn, size }) => {
  const reach = 6 + 3 * size
  const [dx, dy] = [Math.cos(turn) * reach, Math.sin(turn) * reach]
  const [bx, by] = [-dy * 0.35, dx * 0.35]
  return `M${n(x)} ${n(y)}q${n(dx / 2 + bx)} ${n(dy / 2 + by)} ${n(dx)} ${n(dy)}q${n(-dx / 2 - bx)} ${n(-dy / 2 - by)} ${n(-dx)} ${n(-dy)}`
}
const stone: Mark = ({ x, y, turn, size }) => {
  const r = 3 + 3 * size
  const corners = [0, 1, 2, 3, 4].map((k) => {
    const angle = turn + (k / 5) * 2 * Math.PI
    const reach = r * (0.75 + 0.25 * Math.sin(3 * angle + size * 6))
    return `${n(x + Math.cos(angle) * reach)} ${n(y + Math.sin(angle) * reach)}`
  })
  return `M${corners.join('L')}Z`
}
const chip: Mark = ({ x, y, turn, size }) => {
  const [c, s] = [Math.cos(turn), Math.sin(turn)]
  const [long, wide] = [5 + 5 * size, 2 + 1.5 * size]
  return `M${n(x)} ${n(y)}l${n(c * long)} ${n(s * long)}l${n(-s * wide - c)} ${n(c * wide - s)}l${n(-c * (long - 2))} ${n(-s * (long - 2))}Z`
}

/** Marks on a jittered grid, repeated at the edges so that the tile joins itself. */
function scatter(mark: Mark, across: number, seed: number): string {
  const random = mulberry32(seed)
  const cell = TILE / across
  let path = ''
  for (let row = 0; row < across; row++)
    for (let column = 0; column < across; column++) {
      const place = {
        x: (column + 0.15 + 0.7 * random()) * cell,
        y: (row + 0.15 + 0.7 * random()) * cell,
        turn: random() * Math.PI * 2,
        size: random(),
      }
      const margin = 14
      for (const dx of place.x < margin ? [0, TILE] : place.x > TILE - margin ? [0, -TILE] : [0])
        for (const dy of place.y < margin ? [0, TILE] : place.y > TILE - margin ? [0, -TILE] : [0])
          path += mark({ ...place, x: place.x + dx, y: place.y + dy })
    }
  return path
}

const texture = (id: string, lines: string, grains = ''): Texture => ({ id, lines, grains })

export const TEXTURES: readonly Texture[] = [
  texture('coir', scatter(fibre, 14, 3)),
  texture('peat', scatter(crumb, 16, 5), scatter(dot, 8, 8)),
  texture('vermiculite', scatter(accordion, 8, 11)),
  texture('perlite', scatter(bead, 10, 7)),
  texture('castings', '', scatter(pellet, 16, 13)),
  texture('compost', scatter(crumb, 12, 17), scatter(dot, 10, 4)),
  texture('rice-hulls', scatter(hull, 10, 19)),
  texture('pumice', scatter(stone, 8, 23), scatter(dot, 12, 6)),
  texture('sand', '', scatter(dot, 20, 29)),
  texture('bark', scatter(chip, 8, 31)),
  texture('peat-fine', scatter(crumb, 22, 43)),
  texture('wood-fibre', scatter(fibre, 10, 47)),
  texture('leaf-mould', scatter(hull, 6, 53), scatter(dot, 12, 59)),
  texture('vermiculite-fine', scatter(accordion, 12, 61)),
  texture('perlite-fine', scatter(bead, 16, 67)),
  texture('biochar', scatter(stone, 10, 71)),
  texture('home-compost', scatter(crumb, 10, 73), scatter(pellet, 8, 79)),
  texture('manure', scatter(fibre, 6, 83), scatter(pellet, 10, 89)),
  texture('seed-mix', scatter(crumb, 14, 97), scatter(bead, 6, 101)),
  texture('potting-mix', scatter(chip, 5, 103), scatter(bead, 6, 107)),
  texture('old-mix', scatter(crumb, 12, 109), scatter(dot, 16, 113)),
  texture('coir-unwashed', scatter(fibre, 13, 127), scatter(dot, 6, 131)),
  texture('coir-disc', scatter(fibre, 16, 137)),
  texture('coir-chips', scatter(chip, 6, 139), scatter(fibre, 6, 149)),
  texture('bark-fresh', scatter(chip, 9, 151), scatter(dot, 6, 157)),
  texture('grit', scatter(stone, 12, 163)),
  texture('loam', scatter(crumb, 10, 37), scatter(dot, 14, 41)),
]
