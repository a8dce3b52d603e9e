/*
 * Wishes beside those of wish-sentences.ts: several crops, vessels by every measure, ways of sowing. Written from how growers
 * talk [common practice]; each with what it means, a row for each crop.
 */
type Row = Record<string, unknown>
type Said = readonly [text: string, meant: Row | readonly Row[], units?: 'us' | 'imperial']

export const WISHES: readonly Said[] = [
  // Numbers.
  ['thirty-six kale', { n: 36, cropId: 'kale' }],
  ['two hundred and forty onions', { n: 240, cropId: 'onion' }],
  ['a hundred leeks', { n: 100, cropId: 'leek' }],
  ['two dozen and a half zinnias', { n: 30, cropId: 'zinnia' }],
  ['a pair of artichokes', { n: 2, cropId: 'artichoke' }],
  ['8 or 10 cucumbers', { n: 10, cropId: 'cucumber' }],
  ['1½ trays of beets', { n: 1.5, of: 'trays', cropId: 'beetroot' }],
  ['three and a half flats of pansies', { n: 3.5, of: 'trays', cropId: 'pansy' }],
  ['2 x four packs of pansies', { n: 2, of: 'trays', cropId: 'pansy', containerId: 'four-pack' }],
  ['6 × 9 cm pots of borage', { n: 6, of: 'trays', cropId: 'borage', containerId: 'pot-9cm-square' }],
  ['two trays of 50 cells of leeks', { n: 2, of: 'trays', cropId: 'leek', containerId: 'tray-50' }],
  ['128 cell tray of onions', { n: 1, of: 'trays', cropId: 'onion', containerId: 'tray-128' }],
  ['between 12 and 15 zinnias', { n: 15, cropId: 'zinnia' }],
  ['kale, at most 18', { n: 18, cropId: 'kale' }],
  ['start 18 celeriac ten weeks before 20 May', { n: 18, cropId: 'celeriac', sowOn: '2027-03-11' }],
  ['10 basil in each of 2 trays', { n: 20, of: 'plants', cropId: 'basil' }],
  ['2 trays of 15 peppers', { n: 30, of: 'plants', cropId: 'pepper' }],
  ['3 kales per cell, 24 cells', { n: 24, of: 'cells', cropId: 'kale', seedsPerCell: 3 }],
  [
    '50 cells, 12 kinds of pepper',
    { n: 50, of: 'cells', cropId: 'pepper', kinds: { count: 12, each: null } },
  ],
  [
    '10 tomatoes: 6 cherry tomatoes, 4 plum tomatoes',
    [
      { n: 6, cropId: 'tomato' },
      { n: 4, cropId: 'tomato' },
    ],
  ],
  [
    '9 basil and 10 okra of 5 kinds',
    [
      { n: 9, cropId: 'basil', kinds: null },
      { n: 10, cropId: 'okra', kinds: { count: 5, each: null } },
    ],
  ],
  [
    '9 kale and 9 chard, 7 of each up, sown 3 January',
    [
      { n: 9, cropId: 'kale', up: 7 },
      { n: 9, cropId: 'chard', up: 7 },
    ],
  ],
  ['two half trays of celery', { n: 1, of: 'trays', cropId: 'celery' }],
  ['2. 14 dill', { n: 14, cropId: 'dill' }],
  ['fill a 50 with parsley', { n: 1, of: 'trays', cropId: 'parsley', containerId: 'tray-50' }],
  ['60 shallots at 3 per cell', { n: 60, cropId: 'shallot', seedsPerCell: 3 }],
  [
    '9 lavender, cold for three weeks first',
    { n: 9, cropId: 'lavender', notes: ['cold for three weeks first'] },
  ],
  ['12 zinnias on Midsummer Day', { n: 12, cropId: 'zinnia', outOn: '2027-06-24' }],
  ['18 cosmos for the village fete', { n: 18, cropId: 'cosmos', notes: ['for the village fete'] }],
  // Several crops.
  [
    '9 kale and 18 chard by 1 May',
    [
      { n: 9, cropId: 'kale', outOn: '2027-05-01' },
      { n: 18, cropId: 'chard', outOn: '2027-05-01' },
    ],
  ],
  [
    '6 fennel, 6 dill, 12 parsley',
    [
      { n: 6, cropId: 'bulb-fennel' },
      { n: 6, cropId: 'dill' },
      { n: 12, cropId: 'parsley' },
    ],
  ],
  [
    'leeks 40, onions 60',
    [
      { n: 40, cropId: 'leek' },
      { n: 60, cropId: 'onion' },
    ],
  ],
  [
    '3 each of cayenne and habanero',
    [
      { n: 3, cropId: 'hot-pepper', called: 'cayenne' },
      { n: 3, cropId: 'hot-pepper', called: 'habanero' },
    ],
  ],
  [
    '20 stocks in 72s and 10 zinnias in 50s',
    [
      { n: 20, cropId: 'stock', containerId: 'tray-72' },
      { n: 10, cropId: 'zinnia', containerId: 'tray-50' },
    ],
  ],
  [
    'Asters: 24\nCosmos: 12',
    [
      { n: 24, cropId: 'aster' },
      { n: 12, cropId: 'cosmos' },
    ],
  ],
  // Vessels.
  ['15 zinnias in 4-inch pots', { n: 15, of: 'plants', containerId: 'pot-4in' }, 'us'],
  ['15 zinnias in 3" pots', { n: 15, containerId: 'pot-3in' }, 'us'],
  ['15 zinnias in 7 cm pots', { n: 15, containerId: 'pot-7cm-square' }],
  ['8 squash in 2 litre pots', { n: 8, containerId: 'pot-2l' }],
  ['8 squash in gallon pots', { n: 8, containerId: 'trade-1' }, 'us'],
  ['6 tomatoes in 5 gallon buckets', { n: 6, containerId: 'bucket-5gal' }, 'us'],
  ['6 tomatoes in 7 gal grow bags', { n: 6, containerId: 'bag-7gal' }, 'us'],
  ['40 beets in 1½ inch blocks', { n: 40, containerId: 'block-1.5in' }, 'us'],
  ['18 sunflowers in paper cups', { n: 18, containerId: 'cup-quarter-litre' }],
  ['18 squash in party cups', { n: 18, containerId: 'cup-pint' }, 'us'],
  ['30 poppies in milk jugs', { n: 30, containerId: 'jug-cut' }, 'us'],
  ['16 8 cm pots of basil', { n: 16, of: 'trays', containerId: 'pot-8cm-square' }],
  ['two 50s of marigolds', { n: 2, of: 'trays', containerId: 'tray-50', cropId: 'marigold' }],
  ['half a 200 of lettuce', { n: 0.5, of: 'trays', containerId: 'tray-200' }],
  ['a flat of 50 chard', { n: 1, of: 'trays', containerId: 'tray-50' }, 'us'],
  ['a 1020 of four-packs of pansies', { n: 12, of: 'trays', containerId: 'four-pack' }, 'us'],
  ['24 sweet peas in root trainers', { n: 24, containerId: 'tray-32-deep' }, 'imperial'],
  ['12 beans in toilet roll tubes', { n: 12 }, 'imperial'],
  // Seeds for a cell, ways of sowing.
  ['onions, 6 to a cell, 10 cells', { n: 10, of: 'cells', seedsPerCell: 6 }],
  ['beets three seeds per hole in a 128', { seedsPerCell: 3, containerId: 'tray-128' }],
  ['60 parsley, 4 or 5 seeds in each cell', { n: 60, seedsPerCell: 5 }],
  [
    '200 celery scattered over a half seed tray, then pricked out into 50s',
    { n: 200, broadcast: true, containerId: 'half-seed-tray', next: { containerId: 'tray-50' } },
  ],
  ['24 stocks potted up into 9 cm pots', { n: 24, next: { containerId: 'pot-9cm-square' } }],
  ['30 beets, direct sown', { n: 30, direct: true }],
  ['48 lettuce, no potting up', { n: 48, direct: true }],
  ['12 nicotiana on the surface, in the light', { n: 12, notes: ['surface sown', 'in the light'] }],
  ['12 delphiniums, kept dark, chilled first', { n: 12, notes: ['in the dark', 'chilled first'] }],
  ['12 okra, soaked overnight, 15 mm deep', { n: 12, depthMm: 15, notes: ['soaked overnight'] }],
  ['30 dill for the market', { n: 30, notes: ['for the market'] }],
  ['9 pumpkins from saved seed', { n: 9, notes: ['from saved seed'] }],
  [
    '60 leeks thickly in a seed tray',
    { n: 60, of: 'plants', broadcast: true, containerId: 'seed-tray', notes: ['sown thickly'] },
  ],
  ['3 rows of 8 kale', { n: 24, cropId: 'kale' }],
  ['a couple of dozen zinnias', { n: 24, cropId: 'zinnia' }],
  ['12 okra by June first', { outOn: '2027-06-01' }, 'us'],
  // Days and repeats.
  ['36 kale, 6 weeks before the last frost', { sowOn: '2027-03-27' }],
  ['36 kale out 3 weeks before the last frost', { outOn: '2027-04-17' }],
  ['12 tomatoes a week after the last frost', { outOn: '2027-05-15' }],
  ['24 lettuce three times, 10 days apart', { times: 3, everyDays: 10 }],
  ['24 lettuce twice, a month apart', { times: 2, everyDays: 28 }],
  ['24 lettuce every third week, 4 times', { times: 4 }],
  ['24 radish every other week from 1 April until 27 May', { times: 5, everyDays: 14, outOn: '2027-04-01' }],
  ['20 asters for St Patrick’s Day', { outOn: '2027-03-17' }],
  ['12 tomatoes by memorial day', { outOn: '2027-05-31' }, 'us'],
  ['12 tomatoes out May 20', { outOn: '2027-05-20' }, 'us'],
  ['12 tomatoes by 6/1', { outOn: '2027-06-01' }, 'us'],
  ['12 tomatoes by 1/6', { outOn: '2027-06-01' }, 'imperial'],
  ['sow 12 leeks this Saturday', { sowOn: '2027-01-16' }],
  // What stands.
  ['sowed 50 leeks 3 weeks ago, 41 up', { n: 50, sown: true, sowOn: '2026-12-20', up: 41 }],
  ['started 24 onions on 2 January, none up yet', { n: 24, sown: true, sowOn: '2027-01-02', up: 0 }],
  [
    'seeded a 72 of chard on new year’s day, 60 of 72 up',
    { n: 1, of: 'trays', containerId: 'tray-72', up: 60 },
  ],
  ['40 broad beans sown last November, 31 up', { n: 40, sown: true, sowOn: '2026-11-15', up: 31 }],
  // Politeness and other words.
  ['hi, could do with 12 leeks please', { n: 12, cropId: 'leek' }],
  ['I’d like about a dozen good strong peppers', { n: 12, cropId: 'pepper' }],
  ['we need 30 cabbages for autumn', { n: 30, cropId: 'cabbage', season: 'autumn' }],
  ['lets grow 8 melons', { n: 8, cropId: 'melon' }],
]

export const WISHES_ASKED: readonly (readonly [text: string, question: RegExp])[] = [
  ['9 fewer dill', /fewer/],
  ['9 dill next spring', /next/],
  ['celery: 1 tray of 90, 2 seeds per cell', /90-cell tray/],
  ['peppers: 6 corno, 4 bullhorn', /kinds of peppers/],
  ['8 peppers of 12 kinds', /Each needs one/],
  ['50 cells of pepper, 12 kinds, 3 each', /36/],
  ['3 trays: 2 leeks, 1 onion', /trays, or plants/],
  ['18 celeriac ten weeks before 20 May', /sown then, or planted out/],
  ['24 leeks in February', /sown then, or planted out/],
  ['9 physalis up already', /When was it sown/],
  ['basil, 4 in pots', /4 plants, or of 4 inches/],
  ['20 asters in egg boxes', /nearest/],
  ['20 asters in 65s', /65/],
  ['20 asters in soil blocks', /Which/],
  ['20 asters in pots', /Which/],
  ['20 asters in 2 six-packs', /12, not 20/],
  ['12 zinnias in 50s in 72s', /50-cell tray or 72-cell tray/],
  ['12 leeks, mother’s day', /Which is meant/],
  ['12 leeks sown 1 March', /still to come/],
  ['a packet of chard', /How many seeds/],
  ['no leeks', /no/],
  ['leeks or onions, 12', /or/],
  ['12 leeks but not before May', /but|not/],
  ['40 of 36 leeks up, sown 1 January', /cannot be/],
  ['24 lettuce every 2 weeks', /How many times/],
  ['24 lettuce three times', /How far apart/],
  ['12 leeks yesterday', /past/],
  ['-12 leeks', /What does/],
]
