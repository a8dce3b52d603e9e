<script setup lang="ts">
import { present } from '#core/present'
import { first as firstOf } from '#core/numeric/at'
import { counted } from '#core/text/plurals'
import Button from 'primevue/button'
import { newId } from '~/kit/newId'
import { computed, onBeforeUnmount, ref, useId, watch } from 'vue'
import FigureValue from '~/kit/figures/FigureValue.vue'
import WishHeard from '~/plan/WishHeard.vue'
import { useDates } from '~/kit/useDates'
import { useNotices } from '~/plan/useNotices'
import { useSeason } from '~/plan/season'
import { useWishes } from '~/plan/useWishes'
import { containersText } from '#core/season/schedule/containers-text'
import { WISH_EXAMPLE, type Ask } from '#core/language/wish'
import { asSowingRequest, sowingRecordProblems } from '#shared/reckoning/sowing-request'
import type { Day } from '#core/calendar/day'
import { planSowing } from '#core/season/schedule/sowing'

/**
 * A sowing in one sentence, answered as it is typed: what each word was taken for, and what follows, drawn into the
 * season before it is kept. With a word that was not understood nothing is planned until somebody says so.
 */
const emit = defineEmits<{ planned: [id: string]; typed: [] }>()
const season = useSeason()
const { hear } = useWishes()
const { printDay } = useDates()
const say = useNotices()
const id = useId()

const text = defineModel<string>({ default: '' })
const busy = ref(false)
/** The sentence whose unread words may be left out. */
const fine = ref('')
let thoughtId = ''
const read = computed(() => (text.value.trim() ? hear(text.value, fine.value === text.value) : null))
const wish = computed(() => read.value?.wish)
const cropName = computed(
  () =>
    present(season.known)
      .crops.get(wish.value?.cropId ?? '')
      ?.name.split(',')[0] ?? '',
)
const body = computed(() => read.value?.sowings[0] ?? null)
const problems = computed(() => (body.value ? sowingRecordProblems(body.value, present(season.known)) : []))
const answer = computed(() => {
  if (!body.value || problems.value.length) return null
  try {
    const done: Record<string, Day> = present(wish.value).sown ? { 'stage-0': present(body.value.sowOn) } : {}
    return planSowing(
      present(asSowingRequest(body.value, present(season.known), { done, notBefore: season.today })),
      present(season.frame),
      present(season.known).book,
    )
  } catch (error) {
    if (error instanceof RangeError) return null
    throw error
  }
})
const message = computed(() => {
  if (!wish.value || wish.value.asks.length || (!body.value && wish.value.unread.length)) return null
  return problems.value[0]?.message ?? (answer.value ? null : 'That is more than a bench can raise.')
})
/** The words in question replaced by one of the names that were offered. */
function choose({ instead }: Ask, name: string) {
  text.value = text.value.replace(present(instead).text, firstOf(name.split(',')))
}
watch(answer, (planned) => {
  if (!planned) return void (season.thought = null)
  thoughtId ||= newId()
  season.thought = { id: thoughtId, body: present(body.value) }
})
onBeforeUnmount(() => (season.thought = null))

const first = computed(() => answer.value?.stages[0])
async function plan() {
  const all = read.value?.sowings ?? []
  if (!answer.value || !all.length || problems.value.length) return
  busy.value = true
  const sownOn = present(wish.value).sown ? firstOf(all).sowOn : null
  const changes = all.map((after, i) => ({
    id: i === 0 ? thoughtId : newId(),
    after,
    sownOn,
    up: present(wish.value).up,
  }))
  season.thought = null
  const name = firstOf(changes).after.name
  const said = `${all.length > 1 ? `${counted(all.length, 'sowing')}: ${name} and the rest` : name} ${sownOn ? 'stands in the season' : 'is planned'}.`
  if (await season.keepAll(name, changes, said)) {
    text.value = ''
    emit('planned', thoughtId)
    thoughtId = ''
  }
  busy.value = false
}
const capital = (name: string) => firstOf(name).toUpperCase() + name.slice(1)
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
        :placeholder="WISH_EXAMPLE"
        :aria-invalid="message || wish?.unread.length || wish?.asks.length ? 'true' : undefined"
        :aria-describedby="`${id}-answer`"
        @input="emit('typed')"
      />
      <Button type="submit" class="main" :disabled="!answer || busy">Plan it</Button>
    </div>
    <div :id="`${id}-answer`" class="answer" aria-live="polite">
      <WishHeard v-if="wish" :heard="wish.heard" :unread="wish.unread" :crop-name="cropName" />
      <template v-if="wish">
        <p v-for="one in wish.asks" :key="one.question" class="problem ask">
          {{ one.question }}
          <Button v-for="name in one.instead?.choices ?? []" :key="name" @click="choose(one, name)">{{
            name.split(',')[0]
          }}</Button>
        </p>
        <p v-if="wish.unread.length && !wish.asks.length && !body" class="problem ask">
          What does {{ wish.unread.map((one) => `‘${one}’`).join(' and ') }} mean here? Say it in other words,
          or
          <Button @click="fine = text">leave it out</Button>
        </p>
      </template>
      <p v-if="message" class="problem">{{ message }}</p>
      <template v-else-if="answer && first">
        <p>
          <strong>{{ wish?.sown ? 'Sown' : 'Sow' }} {{ printDay(answer.sowOn) }}</strong>
          <span class="soft"> ({{ printDay(answer.sowRange[0]) }} to {{ printDay(answer.sowRange[1]) }})</span
          >: {{ counted(answer.seeds, 'seed')
          }}<template v-if="first.kind === 'sow'">
            in {{ counted(answer.cells, 'cell') }} of {{ answer.perCell }}</template
          >, {{ containersText(first) }}.
          <template v-if="present(body).cells"
            >Count on {{ counted(present(body).plants, 'good plant') }}.{{ ' ' }}</template
          >
          <template v-if="answer.treatOn && !wish?.sown"
            >Treat the seed on {{ printDay(answer.treatOn) }}.{{ ' ' }}</template
          >
          <template v-if="answer.emergence">Up in <FigureValue :figure="answer.emergence" />.</template>
          <template v-for="stage in answer.stages.slice(1)" :key="stage.index"
            >{{ ' ' }} {{ stage.kind === 'harden' ? 'Harden off' : capital(stage.kind) }}
            {{ printDay(stage.from)
            }}<template v-if="stage.kind !== 'harden'"> into {{ containersText(stage) }}</template
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

.ask {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  align-items: center;
}

.answer {
  display: grid;
  gap: 0.4rem;
  min-height: 1.5rem;
  max-width: 62rem;
}
</style>
