import { MATERIALS } from '#core/media/materials'

const drawn = new Set(MATERIALS.filter(({ kind }) => kind === 'medium').map(({ id }) => id))

/**
 * Fill for a material in any drawing on the page; a household's own have the old mix's. Its plain colour stands there
 * until the texture is drawn.
 */
export function textureFill(materialId: string): string {
  const id = drawn.has(materialId) ? materialId : 'old-mix'
  return `url(#texture-${id}) var(--${id})`
}
