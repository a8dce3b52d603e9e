import type { Feed } from './feed'

/** Generic feeds, by what their labels commonly say [common practice]; no brand's own. */
export const FEEDS: readonly Feed[] = [
  {
    id: 'balanced-20',
    name: 'Balanced soluble powder',
    form: 'powder',
    nPercent: 20,
    p2o5Percent: 20,
    k2oPercent: 20,
    densityGPerMl: null,
    labelRatePerL: 1,
    organic: false,
  },
  {
    id: 'potash-12',
    name: 'High-potash soluble powder',
    form: 'powder',
    nPercent: 12,
    p2o5Percent: 15,
    k2oPercent: 30,
    densityGPerMl: null,
    labelRatePerL: 1.25,
    organic: false,
  },
  {
    id: 'fish-seaweed',
    name: 'Fish and seaweed liquid',
    form: 'liquid',
    nPercent: 2,
    p2o5Percent: 3,
    k2oPercent: 1,
    densityGPerMl: 1.15,
    labelRatePerL: 15.6,
    organic: true,
  },
  {
    id: 'liquid-5',
    name: 'Balanced liquid feed',
    form: 'liquid',
    nPercent: 5,
    p2o5Percent: 5,
    k2oPercent: 5,
    densityGPerMl: 1.15,
    labelRatePerL: 5,
    organic: false,
  },
]
