<script setup lang="ts">
import { newEntry } from '#shared/records/new-entry'
import { onShelves } from '#core/supplies/draw'
import { goodsName } from '#core/supplies/goods'
import type { Stored } from '#shared/records/collections'
import type { FeedingRecord } from '#shared/records/feeding'

/** A feed is given: to which trays, by whom, how many jugs of it; what it takes leaves the shelf. */
const props = defineProps<{ feeding: Stored<FeedingRecord> }>()
const emit = defineEmits<{ close: [] }>()

const household = useHousehold()

const context = useContext()
const on = ref(useToday().value)
const { printAmount } = useShopping()
const times = ref<number | null>(1)
const to = ref(household.batches.find(({ id }) => id === props.feeding.body.batchId)?.body.name ?? '')
const by = ref('')
const evenIfShort = ref(false)

const planned = computed(() => usePlannedFeed(props.feeding))
const goods = computed(() => context.goods('feed', props.feeding.body.feedId))
const shelves = computed(() => context.shelves('feed', props.feeding.body.feedId))
const wanted = computed(() => {
  if (!planned.value) return 0
  const { feed, plan } = planned.value
  return (feed.form === 'powder' ? plan.massG : plan.volumeMl).value * (times.value ?? 0)
})
const short = computed(() =>
  shelves.value.length ? Math.max(0, wanted.value - onShelves(shelves.value)) : 0,
)

const entry = () =>
  newEntry({
    name: props.feeding.body.name,
    kind: 'feed given',
    on: on.value,
    subjects: [{ what: 'feedings', id: props.feeding.id, stage: null }],
    by: by.value.trim(),
    to: to.value.trim(),
    times: times.value ?? 1,
    evenIfShort: evenIfShort.value,
  })
</script>

<template>
  <EntryForm
    :header="`Given: ${feeding.body.name}`"
    keep-label="It was given"
    :wrong="!planned || !times || times <= 0 || (short > 0 && !evenIfShort)"
    :entry="entry"
    done="Feed logged."
    @close="emit('close')"
  >
    <TypedField
      v-model="times"
      v-first-focus
      :label="`How many of the ${feeding.body.vessel.name.toLowerCase()}`"
      :problem="!times || times <= 0 ? 'Say how many, above 0.' : undefined"
    />
    <DayField v-model="on" label="On" hint="it may lie in the past" />
    <div class="pair">
      <TextField v-model="to" label="To which trays" maxlength="200" />
      <WhoField v-model="by" label="By whom" />
    </div>
    <p v-if="goods && planned">
      It takes {{ printAmount(goods, wanted) }} of {{ goodsName(goods).toLowerCase()
      }}<template v-if="shelves.length">
        from the shelf, which holds {{ printAmount(goods, onShelves(shelves)) }}</template
      ><template v-else>, which is not in your supplies</template>.
    </p>
    <label v-if="short > 0" class="check">
      <input v-model="evenIfShort" type="checkbox" /> It was given all the same: take what there is
    </label>
  </EntryForm>
</template>

<style scoped></style>
