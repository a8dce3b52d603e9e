<script setup lang="ts">
import { present } from '#core/present'
import { computed, ref, useId } from 'vue'
import Button from 'primevue/button'
import FoldAway from '~/kit/fields/FoldAway.vue'
import WishHeard from '~/plan/WishHeard.vue'
import { newId } from '~/kit/newId'
import { useWishes } from '~/plan/useWishes'
import { useSeason } from '~/plan/season'
import { counted } from '#core/text/plurals'
import { sowingRecordProblems } from '#shared/reckoning/sowing-request'

/** What stands on the bench already, typed or pasted as a list: a line each, read word by word like a wish. */
const season = useSeason()
const { hear } = useWishes()
const id = useId()

/** A long list is pasted in parts: each line is planned as it is typed. */
const MAX_LINES = 60
const props = defineProps<{ unfolded?: boolean }>()
const open = ref(props.unfolded ?? false)
const text = ref('')
const busy = ref(false)
const written = computed(() => text.value.split(/\n/).map((line) => line.trim().replace(/^[-*•]\s*/, '')))
const tooMany = computed(() => written.value.filter(Boolean).length > MAX_LINES)
const lines = computed(() =>
  written.value
    .slice(0, MAX_LINES)
    .filter(Boolean)
    .map((line) => {
      // Tabs of a spreadsheet part what commas part.
      const { wish, sowings } = hear(line.replace(/\t+/g, ', '))
      const problem = sowings.flatMap((one) => sowingRecordProblems(one, present(season.known)))[0]?.message
      const open = wish.unread.length
        ? `Not understood: ${wish.unread.join(', ')}.`
        : (wish.asks[0]?.question ??
          problem ??
          (wish.sown ? null : 'When was it sown? Say it like: sown 13 March.'))
      return {
        line,
        wish,
        sowings,
        open,
        crop:
          present(season.known)
            .crops.get(wish.cropId ?? '')
            ?.name.split(',')[0] ?? '',
      }
    }),
)
const ready = computed(() => lines.value.filter(({ open }) => open === null))

async function keep() {
  busy.value = true
  const all = ready.value.flatMap(({ sowings, wish }) =>
    sowings.map((after) => ({ id: newId(), after, sownOn: after.sowOn, up: wish.up })),
  )
  const name = `${counted(all.length, 'sowing')} that stand already`
  if (await season.keepAll(name, all, `${name} are in the season.`)) {
    // What was not understood stays, to be said again.
    text.value = lines.value.flatMap(({ line, open }) => (open === null ? [] : [line])).join('\n')
  }
  busy.value = false
}
</script>

<template>
  <FoldAway v-model:open="open" class="stands no-print" title="What stands already, as a list">
    <label :for="id">A line each: how many, of what, in which trays, sown when, how many are up</label>
    <textarea
      :id="id"
      v-model="text"
      class="input"
      rows="4"
      placeholder="36 tomatillos in 72-cell trays, sown 13 March, 31 up"
    />
    <ul v-if="lines.length" class="lines">
      <li v-for="(one, index) in lines" :key="index">
        <WishHeard :heard="one.wish.heard" :unread="one.wish.unread" :crop-name="one.crop" />
        <p v-if="one.open" class="problem">{{ one.open }}</p>
      </li>
    </ul>
    <p v-if="tooMany" class="problem">The first {{ MAX_LINES }} lines are read; the rest waits its turn.</p>
    <Button class="main" :disabled="!ready.length || busy" @click="keep">
      {{ ready.length ? `Keep ${counted(ready.length, 'line')}` : 'Keep them' }}
    </Button>
  </FoldAway>
</template>

<style scoped>
.lines {
  display: grid;
  gap: 0.6rem;
}

.lines li {
  padding-top: 0.4rem;
  border-top: 1px solid var(--line);
}
</style>
