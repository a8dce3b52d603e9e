import { present } from '../present'
/** What growers see when something is wrong, in their words, and words they also use for it. */
export const SIGNS = [
  {
    id: 'leggy',
    name: 'Long and thin',
    words: ['leggy', 'stretched', 'spindly', 'lanky', 'long and thin', 'drawn', 'etiolated'],
  },
  {
    id: 'fallen',
    name: 'Fallen at the neck',
    words: [
      'fallen',
      'fell over',
      'damping off',
      'damped off',
      'collapsed',
      'keeled over',
      'toppled',
      'neck',
    ],
  },
  {
    id: 'flies',
    name: 'Small flies',
    words: ['small flies', 'flies', 'fly', 'gnats', 'gnat', 'fungus gnats', 'sciarid'],
  },
  {
    id: 'green crust',
    name: 'Green crust',
    words: ['green crust', 'algae', 'alga', 'moss', 'green surface'],
  },
  { id: 'white crust', name: 'White crust', words: ['white crust', 'salt crust', 'white rim'] },
  {
    id: 'pale old',
    name: 'Pale old leaves',
    words: [
      'pale below',
      'pale old',
      'yellow below',
      'lower leaves yellow',
      'lower leaves pale',
      'pale lower',
      'yellow old leaves',
      'old leaves pale',
      'old leaves yellow',
      'yellow lower',
    ],
  },
  {
    id: 'pale new',
    name: 'Pale new leaves',
    words: [
      'pale new',
      'pale on top',
      'pale above',
      'yellow new',
      'new leaves pale',
      'new leaves yellow',
      'yellow tops',
      'pale tops',
      'green veins',
      'bleached',
    ],
  },
  { id: 'purple', name: 'Purple', words: ['purple', 'reddish', 'violet', 'red undersides'] },
  {
    id: 'burnt',
    name: 'Burnt tips',
    words: ['burnt', 'burned', 'scorched', 'brown tips', 'burnt tips', 'brown edges', 'crispy'],
  },
  {
    id: 'wilting wet',
    name: 'Wilting, and wet',
    words: ['wilting wet', 'wilted wet', 'limp wet', 'wilting in wet mix'],
  },
  { id: 'wilting dry', name: 'Wilting, and dry', words: ['wilting dry', 'wilted dry', 'limp dry'] },
  {
    id: 'sheds water',
    name: 'Won’t wet',
    words: [
      'wont wet',
      'won’t wet',
      "won't wet",
      'sheds water',
      'water runs off',
      'hydrophobic',
      'dry lumps',
    ],
  },
  {
    id: 'seed coat',
    name: 'Seed coat stuck',
    words: ['seed coat', 'helmet', 'helmet head', 'coat stuck', 'cap stuck'],
  },
  {
    id: 'circling',
    name: 'Roots circling',
    words: ['circling', 'roots circling', 'root bound', 'rootbound', 'pot bound', 'roots out of the holes'],
  },
  { id: 'no show', name: 'No show', words: ['no show', 'nothing up', 'not up', 'none up', 'no sign'] },
  {
    id: 'eaten',
    name: 'Eaten',
    words: [
      'eaten',
      'chewed',
      'nibbled',
      'bitten',
      'slug',
      'slugs',
      'snail',
      'snails',
      'mouse',
      'mice',
      'caterpillar',
      'holes in leaves',
      'bitten off',
    ],
  },
  { id: 'spots', name: 'Spots', words: ['spots', 'spotted', 'speckled', 'blotches', 'stippled'] },
  { id: 'curled', name: 'Curled', words: ['curled', 'curling', 'rolled', 'cupped', 'twisted', 'clawed'] },
  {
    id: 'floating',
    name: 'Floating perlite',
    words: ['floating perlite', 'perlite floating', 'perlite on top', 'white bits on top'],
  },
  {
    id: 'mould',
    name: 'Mould',
    words: ['mould', 'mold', 'mouldy', 'moldy', 'fuzz', 'fluff', 'white fuzz', 'furry'],
  },
] as const satisfies readonly {
  readonly id: string
  readonly name: string
  readonly words: readonly string[]
}[]
export type SignId = (typeof SIGNS)[number]['id']
export const signById = (id: SignId) => present(SIGNS.find((one) => one.id === id))

/** What is also noted when one looks: how far they are, and that all is well. */
export const STATES = [
  {
    id: 'well',
    name: 'Doing well',
    words: ['well', 'doing well', 'fine', 'healthy', 'happy', 'sturdy', 'all good', 'looking good'],
  },
  { id: 'seed leaves', name: 'Seed leaves', words: ['seed leaves', 'cotyledons', 'seed leaf'] },
  {
    id: 'true leaves',
    name: 'First true leaves',
    words: [
      'true leaves',
      'first true leaves',
      '2 leaves',
      'two leaves',
      '2 true leaves',
      'first leaves',
      'true leaf',
    ],
  },
  {
    id: 'four leaves',
    name: 'Four leaves',
    words: ['4 leaves', 'four leaves', '4 true leaves', 'second pair'],
  },
  {
    id: 'roots at holes',
    name: 'Roots at the holes',
    words: ['roots at the holes', 'roots at holes', 'roots showing', 'white roots'],
  },
  { id: 'buds', name: 'Buds', words: ['buds', 'bud', 'budding'] },
] as const satisfies readonly {
  readonly id: string
  readonly name: string
  readonly words: readonly string[]
}[]

/** Words that several signs go by: which is meant is asked. */
export const UNCLEAR: readonly { readonly words: readonly string[]; readonly could: readonly SignId[] }[] = [
  { words: ['pale', 'yellow', 'pale leaves', 'yellow leaves'], could: ['pale old', 'pale new'] },
  {
    words: ['wilting', 'wilted', 'wilt', 'limp', 'flopping', 'hanging', 'droopy', 'drooping'],
    could: ['wilting dry', 'wilting wet'],
  },
  { words: ['crust'], could: ['green crust', 'white crust'] },
]

export type SeenId = SignId | (typeof STATES)[number]['id']
export const SEEN: readonly {
  readonly id: SeenId
  readonly name: string
  readonly words: readonly string[]
}[] = [...SIGNS, ...STATES]
export const SEEN_IDS = SEEN.map(({ id }) => id) as [SeenId, ...SeenId[]]
export const isSign = (id: SeenId): id is SignId => SIGNS.some((one) => one.id === id)
export const seenName = (id: SeenId): string => present(SEEN.find((one) => one.id === id)).name
