/*
 * The finder over every small recipe, against the same wants as a linear programme handed to HiGHS: shares between 0 and
 * 1, salts and food as linear limits, air without mixing loss as a linear limit. HiGHS answers one question at a time and
 * in fractions; the finder answers with all whole-part recipes.
 */
import loadHighs from 'highs'
import { CONTAINERS } from '#core/containers/catalogue'
import { findMixes, traitsOf, type FinderRequest } from '#core/media/finder'
import { MATERIALS } from '#core/media/materials'
import { median, report } from './report'

const materials = MATERIALS.filter(({ kind }) => kind === 'medium').slice(0, 11)
const request: FinderRequest = {
  materials,
  pricePerL: materials.map((_, i) => 0.1 + 0.05 * i),
  container: CONTAINERS.find(({ id }) => id === 'tray-72')!,
  wants: { air: { low: 0.1 }, salts: { high: 1 }, food: { low: 60 } },
  mostParts: 12,
  mostMaterials: 6,
  keep: 24,
}

const highs = await loadHighs()
const alone = materials.map((_, m) =>
  traitsOf(
    request,
    materials.map((__, i) => (i === m ? 1 : 0)),
  ),
)
const row = (trait: 'air' | 'salts' | 'food' | 'cost') =>
  alone.map((traits, i) => `${traits[trait].toFixed(9)} x${i}`).join(' + ')
const programme = `Minimize\n cost: ${row('cost')}\nSubject To\n whole: ${materials.map((_, i) => `x${i}`).join(' + ')} = 1\n air: ${row('air')} >= 0.1\n salts: ${row('salts')} <= 1\n food: ${row('food')} >= 60\nEnd`

const result = findMixes(request)
const finderMs = median(3, () => findMixes(request))
const solverMs = median(20, () => highs.solve(programme))
report(
  `one recipe of the finder's ${result.looked.toLocaleString('en')}`,
  finderMs / result.looked,
  'one answer of HiGHS',
  solverMs,
)
console.log(`finder: ${(result.looked / finderMs / 1000).toFixed(2)} million recipes a second`)
