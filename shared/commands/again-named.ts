import type { SowingRecord } from '../records/sowing'

export const againNamed = ({ name: of }: Pick<SowingRecord, 'name'>) => `${of.slice(0, 110)}, again`
