import { describe, it } from '@jest/globals'
import { expectWorked } from '../working/test/worked'
import { CONTAINERS } from '../containers/catalogue'
import { strengthAtLabelRate } from './dose'
import { solutionFor } from './drink'
import { ecOfFeed } from './ec'
import { FEEDS } from './feeds'
import { granularFor } from './granular'
import { planInjector } from './injector'
import { planProgramme } from './programme'
import { readRate } from '../language/rule'
import { strengthOfRate, waterToRescue } from './rate'
import { blendWithRain } from './water'
import { physicsIn } from '../media/container-physics'
import { given } from '../working/figure'
import { yours } from '../working/source'
import { batch } from '../media/test/everything'
import { doses } from './test/doses'

const media = CONTAINERS.slice(0, 6).map((container) => physicsIn(container, batch))

const litre = given('solution', 4, 'L', yours())

const gPerL = given('feed', 0.7, 'g/L', yours())

const pot = CONTAINERS.find(({ kind }) => kind === 'pot')!

const workshop = [
  FEEDS.map((feed) => ecOfFeed(feed, gPerL)),
  blendWithRain({ ecMsPerCm: 0.7, alkalinityMgPerL: 260 }, 0.3),
  CONTAINERS.map((container) => solutionFor(container, 3, media[0]!)),
  planInjector(gPerL, litre, 100),
  granularFor(
    FEEDS.find(({ use }) => use === 'mixed in')!,
    3,
    pot,
  ),
  planProgramme({
    feed: FEEDS[0]!,
    appetite: 'heavy',
    method: 'weak and often',
    plants: 40,
    stages: [
      {
        growthStageId: 'true-leaves',
        days: 30,
        cellMl: 45,
        releasedMgPerL: 0,
        starterMgPerL: 0,
        nMgPerL: 60,
        everyDays: 3,
      },
    ],
  }),
  ['5 ml/l', '1:200', 'half', '120 mg/L'].map((text) => {
    const read = readRate(text, 'liquid', 'us')
    return (
      read.ok &&
      strengthOfRate(
        read.rate,
        FEEDS.find(({ id }) => id === 'liquid-5')!,
      )
    )
  }),
  waterToRescue(given('strength', 250, 'mg/L', yours()), litre, given('wanted', 100, 'mg/L', yours())),
]

describe('the working of every figure, done again by an independent evaluator', () => {
  it('doses of every feed', () => expectWorked([doses, FEEDS.map(strengthAtLabelRate)]))
  it('salts, water, volumes and a programme', () => expectWorked(workshop))
})
