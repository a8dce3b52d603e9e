<script setup lang="ts">
import { sayContainers } from '#shared/messages/containers'
import type { PlannedSowing } from '#core/season/schedule/sowing'
import type { Wish } from '#core/language/wish-said'
import { capital } from '#core/text/capital'
import { counted } from '#core/text/plurals'
import type { SowingRecord } from '#shared/records/sowing'

/** What follows from one wish: when it is sown, into what, and when it goes out. All of it is that of the plan. */
const props = defineProps<{
  wish: Wish
  body: SowingRecord
  answer: PlannedSowing
  /** Of all its kinds and successions together. */
  totals: { readonly seeds: number; readonly cells: number; readonly plants: number }
  named: boolean
}>()
const { printDay } = useDates()
const say = useNotices()
const first = computed(() => props.answer.stages[0])
/** Of kinds and successions each is planned for itself: told are all of them. */
const each = computed(() => (props.wish.kinds?.count ?? 1) * Math.max(1, props.wish.times))
</script>

<template>
  <div v-if="first" class="stack-s">
    <p>
      <b v-if="named">{{ body.name }}: </b>
      <template v-if="each > 1">{{ counted(each, 'sowing') }} like this: </template>
      <strong>{{ wish.sown ? 'Sown' : 'Sow' }} {{ printDay(answer.sowOn) }}</strong>
      <span class="soft"> ({{ printDay(answer.sowRange[0]) }} to {{ printDay(answer.sowRange[1]) }})</span>:
      {{ counted(totals.seeds, 'seed')
      }}<template v-if="first.kind === 'sow'">
        in {{ counted(totals.cells, 'cell') }} of {{ answer.perCell }}</template
      >, {{ sayContainers(first) }}<template v-if="each > 1"> each</template>.
      <template v-if="body.cells">Count on {{ counted(totals.plants, 'good plant') }}.{{ ' ' }}</template>
      <template v-if="answer.treatOn && !wish.sown"
        >Treat the seed on {{ printDay(answer.treatOn) }}.{{ ' ' }}</template
      >
      <template v-if="answer.emergence">Up in <FigureValue :figure="answer.emergence" />.</template>
      <template v-for="stage in answer.stages.slice(1)" :key="stage.index"
        >{{ ' ' }} {{ stage.kind === 'harden' ? 'Harden off' : capital(stage.kind) }} {{ printDay(stage.from)
        }}<template v-if="stage.kind !== 'harden'"> into {{ sayContainers(stage) }}</template
        >.
      </template>
      <strong>Out {{ printDay(answer.outOn) }}.</strong>
      <template v-if="body.note"> {{ capital(body.note) }}.</template>
    </p>
    <p v-for="notice in answer.notices" :key="notice.kind" class="problem">{{ say(notice) }}</p>
  </div>
</template>
