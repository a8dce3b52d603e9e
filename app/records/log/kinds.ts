import {
  Bug,
  CloudSun,
  Droplets,
  Eye,
  FlaskConical,
  Flower2,
  Gift,
  Hand,
  HeartCrack,
  Layers,
  Lightbulb,
  MoveRight,
  Package,
  Ruler,
  Scale,
  Scissors,
  ShoppingBasket,
  Sparkles,
  Sprout,
  SunMedium,
  Thermometer,
  Waves,
} from '@lucide/vue'
import type { EntryKind } from '#shared/records/entry'

interface Shown {
  readonly name: string
  readonly icon: Component
}
const shown = (name: string, icon: Component): Shown => ({ name, icon })

/** How each kind of entry is shown in the log. */
export const KINDS_SHOWN: Readonly<Record<EntryKind, Shown>> = {
  'batch made': shown('batch made', Layers),
  'feed given': shown('fed', FlaskConical),
  counted: shown('counted', Package),
  lost: shown('lost', HeartCrack),
  given: shown('given away', Gift),
  watered: shown('watered', Droplets),
  weighed: shown('weighed', Scale),
  felt: shown('felt', Hand),
  cleaned: shown('cleaned', Waves),
  carried: shown('carried', MoveRight),
  seen: shown('seen', Eye),
  tended: shown('tended', Hand),
  damage: shown('damage', Bug),
  flower: shown('in flower', Flower2),
  harvest: shown('picked', ShoppingBasket),
  climate: shown('air', Thermometer),
  measured: shown('measured', Ruler),
  weather: shown('weather', CloudSun),
  thought: shown('thought', Lightbulb),
  treat: shown('seed treated', Sparkles),
  'soak mix': shown('soaked', Droplets),
  'make mix': shown('mixed', Layers),
  stage: shown('sown or moved', Sprout),
  look: shown('up', Sprout),
  uncover: shown('uncovered', SunMedium),
  thin: shown('thinned', Scissors),
  fan: shown('fan', SunMedium),
  roots: shown('roots', Eye),
  settle: shown('settled', Eye),
  care: shown('cared for', Hand),
  end: shown('ended', MoveRight),
  feed: shown('fed', FlaskConical),
  harden: shown('hardened', SunMedium),
  shelter: shown('sheltered', CloudSun),
  out: shown('set out', SunMedium),
  'give up': shown('given up', HeartCrack),
}

/** What the log can be narrowed to. */
export const KIND_GROUPS: readonly {
  readonly id: string
  readonly name: string
  readonly kinds: readonly EntryKind[]
}[] = [
  { id: 'sown', name: 'Sown and up', kinds: ['treat', 'stage', 'look', 'uncover', 'thin'] },
  { id: 'water', name: 'Water', kinds: ['watered', 'weighed', 'felt'] },
  { id: 'fed', name: 'Fed', kinds: ['feed', 'feed given'] },
  { id: 'mix', name: 'Mix', kinds: ['batch made', 'make mix', 'soak mix', 'counted', 'cleaned'] },
  {
    id: 'gone',
    name: 'Moved and gone',
    kinds: ['carried', 'out', 'harden', 'shelter', 'lost', 'given', 'give up', 'end'],
  },
  { id: 'seen', name: 'Seen', kinds: ['seen', 'tended', 'damage', 'flower', 'harvest', 'roots'] },
  { id: 'air', name: 'Air and weather', kinds: ['climate', 'weather'] },
  { id: 'thoughts', name: 'Thoughts', kinds: ['thought', 'measured'] },
]
