import { DEFAULT_ALLOWANCES, plainBatch } from '../../media/batch-request'
import type { MixRecipe } from './shopping'

/** The batch a season makes of a recipe, but for what it fills and the household's own measures. */
export const batchOf = ({ parts, extras, preparations }: MixRecipe) => ({
  ...plainBatch(),
  parts: [...parts],
  extras: [...extras],
  preparations: [...preparations],
  allowances: DEFAULT_ALLOWANCES,
})
