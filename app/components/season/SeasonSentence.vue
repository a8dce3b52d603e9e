<script setup lang="ts">
import { counted } from '#core/bench/wording'
import Button from 'primevue/button'
import { newId } from '~/composables/newId'
import { computed, onBeforeUnmount, ref, useId, watch } from 'vue'
import FigureValue from '~/components/figures/FigureValue.vue'
import { useDates } from '~/composables/useDates'
import { useNotes } from '~/composables/useNotes'
import { useNotices } from '~/composables/useNotices'
import { useHousehold } from '~/state/household'
import { useSeason } from '~/state/season'
import { useUndo } from '~/state/undo'
import { containersText } from '#core/season/wording'
import { readSowing, seasonFor, successionDays } from '#core/season/sentence'
import { asSowingRequest, sowingRecordProblems, type SowingRecord } from '#shared/records/sowing'
import { planSowing } from '#core/season/sowing'

/** A sowing in one sentence, answered as it is typed and drawn into the season before it is kept. */
const emit = defineEmits<{ planned: [id: string] }>()
const season = useSeason()
const undoing = useUndo()
const household = useHousehold()
const { printDay } = useDates()
const { note } = useNotes()
const say = useNotices()
const id = useId()

const text = ref('')
const busy = ref(false)
let thoughtId = ''
const read = computed(() =>
  text.value.trim() ? readSowing(text.value, [...season.known!.crops.values()], season.today) : null,
)
const body = computed((): SowingRecord | null => {
  const said = read.value
  if (!said?.ok) return null
  const packets = household.packets.filter((one) => one.body.cropId === said.cropId)
  const newest = packets.reduce<(typeof packets)[number] | null>(
    (best, one) => (!best || one.body.year > best.body.year ? one : best),
    null,
  )
  return {
    name: capital(said.variety),
    cropId: said.cropId,
    packetId: newest?.id ?? null,
    plants: said.plants,
    season: seasonFor(season.known!.crops.get(said.cropId)!, said.outOn, season.frame!),
    outOn: said.outOn,
    sowOn: null,
    germination: null,
    certainty: 0.9,
    seedsPerCell: null,
    ladderId: null,
    rungs: null,
  }
})
const problems = computed(() => (body.value ? sowingRecordProblems(body.value, season.known!) : []))
const answer = computed(() => {
  if (!body.value || problems.value.length) return null
  try {
    return planSowing(
      asSowingRequest(body.value, season.known!, {}, season.today)!,
      season.frame!,
      season.known!.book,
    )
  } catch (error) {
    if (error instanceof RangeError) return null
    throw error
  }
})
const message = computed(() => {
  if (!read.value) return null
  if (!read.value.ok) return read.value.message
  return problems.value[0]?.message ?? (answer.value ? null : 'That is more than a bench can raise.')
})
watch(answer, (planned) => {
  if (!planned) return void (season.thought = null)
  thoughtId ||= newId()
  season.thought = { id: thoughtId, body: body.value! }
})
onBeforeUnmount(() => (season.thought = null))

const first = computed(() => answer.value?.rungs[0])
async function plan() {
  const said = read.value
  if (!answer.value || !body.value || !said?.ok) return
  busy.value = true
  const outs = successionDays(answer.value.outOn, said.times, said.everyDays)
  const changes = outs.map((outOn, i) => ({
    id: i === 0 ? thoughtId : newId(),
    after: {
      ...body.value!,
      name: outs.length > 1 ? `${body.value!.name}, ${i + 1} of ${outs.length}` : body.value!.name,
      outOn: i === 0 && said.outOn === null && outs.length === 1 ? null : outOn,
    },
  }))
  season.thought = null
  const name = changes[0]!.after.name
  const act = await season.keepAll(name, changes)
  if (act) {
    note(`${name} is planned.`, { name: 'Undo', run: () => undoing.takeBack(act) })
    text.value = ''
    emit('planned', thoughtId)
    thoughtId = ''
  }
  busy.value = false
}
const capital = (name: string) => name[0]!.toUpperCase() + name.slice(1)
</script>

<template>
  <form class="sentence no-print" @submit.prevent="plan">
    <label :for="id">What will you raise?</label>
    <div class="line">
      <input
        :id="id"
        v-model="text"
        class="input"
        autocomplete="off"
        placeholder="48 good plants of sweet basil by 20 May"
        :aria-invalid="message ? 'true' : undefined"
        :aria-describedby="`${id}-answer`"
      />
      <Button type="submit" class="main" :disabled="!answer || busy">Plan it</Button>
    </div>
    <div :id="`${id}-answer`" class="answer" aria-live="polite">
      <p v-if="message" class="problem">{{ message }}</p>
      <template v-else-if="answer && first">
        <p>
          <strong>Sow {{ printDay(answer.sowOn) }}</strong>
          <span class="soft"> ({{ printDay(answer.sowRange[0]) }} to {{ printDay(answer.sowRange[1]) }})</span
          >: {{ counted(answer.seeds, 'seed')
          }}<template v-if="first.stage === 'sow'">
            in {{ counted(answer.cells, 'cell') }} of {{ answer.perCell }}</template
          >, {{ containersText(first) }}.
          <template v-if="answer.treatOn">Treat the seed on {{ printDay(answer.treatOn) }}.</template>
          <template v-if="answer.emergence">Up in <FigureValue :figure="answer.emergence" />.</template>
          <template v-for="rung in answer.rungs.slice(1)" :key="rung.index"
            >{{ ' ' }} {{ rung.stage === 'harden' ? 'Harden off' : capital(rung.stage) }}
            {{ printDay(rung.from)
            }}<template v-if="rung.stage !== 'harden'"> into {{ containersText(rung) }}</template
            >.
          </template>
          <strong>Out {{ printDay(answer.outOn) }}.</strong>
        </p>
        <p v-for="notice in answer.notices" :key="notice.kind" class="problem">{{ say(notice) }}</p>
      </template>
    </div>
  </form>
</template>

<style scoped>
.sentence {
  display: grid;
  gap: 0.4rem;
}

label {
  font: 640 1.25rem/1.1 var(--heading);
}

.line {
  display: flex;
  gap: 0.6rem;
}

.line .input {
  flex: 1;
  min-width: 0;
  min-height: 3rem;
  font-size: 1.2rem;
}

.line .button {
  min-height: 3rem;
}

.answer {
  min-height: 1.5rem;
  max-width: 62rem;
}
</style>
