<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import DialogForm from '~/components/fields/DialogForm.vue'
import FieldFrame from '~/components/fields/FieldFrame.vue'
import NumberField from '~/components/fields/NumberField.vue'
import { useNotes } from '~/composables/useNotes'
import { usePlannedFeed } from '~/composables/usePlanned'
import { useRemoval } from '~/composables/useRemoval'
import { useSaving } from '~/composables/useSaving'
import { useShopping } from '~/composables/useShopping'
import { useHousehold } from '~/state/household'
import { onShelves } from '#core/stores/draw'
import { goodsName } from '#core/stores/goods'
import type { Stored } from '#shared/collections'
import type { FeedingRecord } from '#shared/records/feeding'

/** A feed is given: to which trays, by whom, how many jugs of it; what it takes leaves the shelf. */
const props = defineProps<{ feeding: Stored<FeedingRecord> }>()
const emit = defineEmits<{ close: [] }>()

const household = useHousehold()
const { saving, save } = useSaving('uses')
const { note } = useNotes()
const removal = useRemoval()
const { printAmount } = useShopping()
const [toId, byId] = [useId(), useId()]
const times = ref<number | null>(1)
const to = ref(household.batches.find(({ id }) => id === props.feeding.body.batchId)?.body.name ?? '')
const by = ref('')
const evenIfShort = ref(false)

const planned = computed(() => usePlannedFeed(props.feeding))
const goods = computed(() => household.goods('feed', props.feeding.body.feedId))
const shelves = computed(() => household.shelves('feed', props.feeding.body.feedId))
const wanted = computed(() => {
  if (!planned.value) return 0
  const { feed, plan } = planned.value
  return (feed.form === 'powder' ? plan.massG : plan.volumeMl).value * (times.value ?? 0)
})
const short = computed(() =>
  shelves.value.length ? Math.max(0, wanted.value - onShelves(shelves.value)) : 0,
)

async function keep() {
  const stored = await save(crypto.randomUUID(), 0, {
    name: props.feeding.body.name,
    kind: 'feed given',
    batchId: null,
    feedingId: props.feeding.id,
    by: by.value.trim(),
    to: to.value.trim(),
    note: '',
    times: times.value ?? 1,
    evenIfShort: evenIfShort.value,
    drawn: [],
    facts: [],
  })
  if (!stored) return
  note('The feed is written down.', { name: 'Undo', run: () => removal('uses', stored) })
  emit('close')
}
</script>

<template>
  <DialogForm
    :header="`Given: ${feeding.body.name}`"
    keep-label="It was given"
    :wrong="!planned || !times || times <= 0 || (short > 0 && !evenIfShort)"
    :saving="saving"
    @keep="keep"
    @close="emit('close')"
  >
    <NumberField
      v-model="times"
      v-first-focus
      :label="`How many of the ${feeding.body.vessel.name.toLowerCase()}`"
      :problem="!times || times <= 0 ? 'Say how many, above 0.' : undefined"
    />
    <div class="pair">
      <FieldFrame :id="toId" label="To which trays">
        <input :id="toId" v-model="to" class="input" autocomplete="off" maxlength="200" />
      </FieldFrame>
      <FieldFrame :id="byId" label="By whom">
        <input :id="byId" v-model="by" class="input" autocomplete="off" maxlength="80" />
      </FieldFrame>
    </div>
    <p v-if="goods && planned">
      It takes {{ printAmount(goods, wanted) }} of {{ goodsName(goods).toLowerCase()
      }}<template v-if="shelves.length">
        from the shelf, which holds {{ printAmount(goods, onShelves(shelves)) }}</template
      ><template v-else>, of which nothing is written down in the stores</template>.
    </p>
    <label v-if="short > 0" class="check">
      <input v-model="evenIfShort" type="checkbox" /> It was given all the same: take what there is
    </label>
  </DialogForm>
</template>

<style scoped>
.check {
  display: flex;
  gap: 0.5rem;
  align-items: center;
}
</style>
