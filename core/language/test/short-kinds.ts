/* Frosts, supplies, days away and groups of a tray, as people say them [common practice]; read on 10 January 2027. */
type Row = Record<string, unknown>
type Said = readonly [text: string, meant: Row | readonly Row[], units?: 'us' | 'imperial']
type Asked = readonly [text: string, question: RegExp]

export const FROSTS: readonly Said[] = [
  ['last 8 May, first 12 October', { lastFrost: '2027-05-08', firstFrost: '2027-10-12', guessed: [] }],
  ['8.5. to 12.10.', { lastFrost: '2027-05-08', firstFrost: '2027-10-12' }],
  ['8.5 – 12.10', { lastFrost: '2027-05-08', firstFrost: '2027-10-12' }],
  ['first Oct 12 last May 8', { lastFrost: '2027-05-08', firstFrost: '2027-10-12' }],
  ['spring frost 8 May, autumn frost 12 Oct', { lastFrost: '2027-05-08', firstFrost: '2027-10-12' }],
  ['5/8 and 10/12', { lastFrost: '2027-05-08', firstFrost: '2027-10-12' }, 'us'],
  ['mid May', { lastFrost: '2027-05-15', guessed: ['first'] }],
  ['our last frost is usually around 20 April', { lastFrost: '2027-04-20', guessed: ['first'] }],
  ['the first frost comes in early November', { firstFrost: '2027-11-05', guessed: ['last'] }],
  ['late April to mid October', { lastFrost: '2027-04-25', firstFrost: '2027-10-15' }],
  ['end of May, beginning of September', { lastFrost: '2027-05-31', firstFrost: '2027-09-01' }],
  ['never', { kind: 'never' }],
  ['we don’t get frost', { kind: 'never' }],
  ['frost free', { kind: 'never' }],
  ['fourth of May', { lastFrost: '2027-05-04', guessed: ['first'] }],
  ['May the 4th', { lastFrost: '2027-05-04' }],
]
export const FROSTS_ASKED: readonly Asked[] = [
  ['don’t know', /winter/],
  ['no idea', /winter/],
  ['hardly ever', /hardly ever/],
  ['late March or early April', /25 March or 5 April/],
  ['10 April - 28 April', /which is the last frost/],
  ['around the 10th', /which month/],
  ['31 April', /no 31 April/],
  ['last 8 May, last 12 October', /Both/],
  ['zone 7', /What does/],
]

export const STORES: readonly Said[] = [
  ['2 bricks of coir', { id: 'coir', packs: 2, pack: 'brick' }],
  ['18 coir discs', { id: 'coir-disc', packs: 18, pack: 'disc' }],
  ['three 650 g coir bricks', { id: 'coir', packs: 3, pack: 'brick', size: { base: 650 } }],
  ['half a brick of coir', { id: 'coir', packs: 0.5 }],
  ['a 40 L bag of perlite', { id: 'perlite', packs: 1, size: { base: 40 } }],
  ['3 x 25 L bags of seed compost', { id: 'seed-mix', packs: 3, size: { base: 25 } }, 'imperial'],
  ['2 cu ft of vermiculite', { id: 'vermiculite', size: { base: 56.633693184 } }, 'us'],
  ['8 qt perlite', { id: 'perlite', size: { base: 7.570823568 } }, 'us'],
  ['5 kg castings', { id: 'castings', size: { base: 5000 } }],
  ['no peat', { id: 'peat', packs: 0 }],
  ['a bag of vermiculite 40 L', { id: 'vermiculite', packs: 1, size: { base: 40 } }],
  ['out of perlite', { id: 'perlite', packs: 0 }],
  [
    'coir: 3 bricks, 10 L sand',
    [
      { id: 'coir', packs: 3 },
      { id: 'sand', size: { base: 10 } },
    ],
  ],
  [
    'a 500 ml bottle of fish emulsion, a third left',
    { kind: 'feed', id: 'fish', left: 1 / 3, size: { base: 0.5 } },
  ],
]
export const STORES_ASKED: readonly Asked[] = [
  ['half a bag of perlite', /How large is a bag/],
  ['some sand', /How much sand/],
  ['2 bags of compost', /Which is meant/],
  ['a box of moon dust', /What does/],
]

export const AWAY: readonly Said[] = [
  ['away 3 to 10 May', { from: '2027-05-03', to: '2027-05-10' }],
  ['gone 3-10 May', { from: '2027-05-03', to: '2027-05-10' }],
  ['May 3 to 10', { from: '2027-05-03', to: '2027-05-10' }, 'us'],
  ['on holiday from 1 June until 14 June', { from: '2027-06-01', to: '2027-06-14' }],
  ['back on Thursday', { from: '2027-01-10', to: '2027-01-13' }],
  ['gone from Saturday for 5 days', { from: '2027-01-16', to: '2027-01-20' }],
  ['away this weekend', { from: '2027-01-16', to: '2027-01-17' }],
  ['the weekend of 13 February', { from: '2027-02-13', to: '2027-02-14' }],
  ['gone until Wednesday', { from: '2027-01-10', to: '2027-01-13' }],
  ['from Thursday to Sunday', { from: '2027-01-14', to: '2027-01-17' }],
  ['the last week of May', { from: '2027-05-25', to: '2027-05-31' }],
  ['the first two weeks of July', { from: '2027-07-01', to: '2027-07-14' }],
  ['August 9-15', { from: '2027-08-09', to: '2027-08-15' }, 'us'],
  ['away in June', { from: '2027-06-01', to: '2027-06-30' }],
  ['away tomorrow', { from: '2027-01-11', to: '2027-01-11' }],
]
export const AWAY_ASKED: readonly Asked[] = [
  ['for two weeks', /From when/],
  ['away in mid July', /From when/],
  ['away', /From when/],
  ['away in the caravan', /What does/],
]

export const GROUPS: readonly Said[] = [
  ['12 basil', { n: 12, cropId: 'basil' }],
  ['16 chard, 4 kinds, 4 each', { n: 16, kinds: { count: 4, each: 4 } }],
  [
    'first two rows leeks, the rest chard',
    [
      { cropId: 'leek', area: { along: 'row', from: 1, count: 2 } },
      { cropId: 'chard', area: { rest: true } },
    ],
  ],
  ['column 3 kale', { cropId: 'kale', area: { along: 'column', from: 3, count: 1 } }],
  ['rows 2 to 4 okra', { cropId: 'okra', area: { along: 'row', from: 2, count: 3 } }],
  ['last row dill', { cropId: 'dill', area: { from: -1 } }],
  [
    'left half peppers, right half tomatoes',
    [{ area: { share: 0.5, side: 'left' } }, { area: { share: 0.5, side: 'right' } }],
  ],
  ['8 cells of mint, 2 seeds each', { n: 8, of: 'cells', seedsPerCell: 2 }],
]
