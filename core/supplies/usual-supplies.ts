import type { Mix } from '../media/recipe'

/** What people start with, and about how much of it they have [common practice]. */
export const USUAL_SHED = [
  ['material', 'coir', '650 g'],
  ['material', 'peat', '80 L'],
  ['material', 'seed-mix', '20 L'],
  ['material', 'potting-mix', '40 L'],
  ['material', 'perlite', '10 L'],
  ['material', 'vermiculite', '10 L'],
  ['material', 'home-compost', '60 L'],
  ['material', 'castings', '5 L'],
  ['material', 'sand', '10 L'],
  ['material', 'dolomitic-lime', '1 kg'],
  ['feed', 'balanced-20', '1 kg'],
  ['feed', 'liquid-5', '1 L'],
] as const

/** Recipes that ask for no medium but what is there. */
export const stirredFrom = <Recipe extends Pick<Mix, 'parts'>>(
  recipes: Iterable<Recipe>,
  there: ReadonlySet<string>,
): Recipe[] => [...recipes].filter(({ parts }) => parts.every(({ materialId }) => there.has(materialId)))
