<script setup lang="ts">
import { present } from '#core/present'
import { sayVerdict } from '#shared/messages/mix'

/** In one line a point: the air in the first container, and what else is to be watched. */
const mix = useMixDraft()
const root = useTemplateRef<HTMLElement>('root')
const plan = useFollowing(root, () => mix.plan)
const { seen } = useInside(plan, () => 0)
const air = computed(() => present(seen.value?.verdicts.find(({ id }) => id === 'air')))
const others = computed(() => seen.value?.verdicts.filter(({ id, mood }) => id !== 'air' && mood !== 'fine'))
const saying = useSaying()
const MOODS = { fine: 'good', watch: 'watch it', change: 'change it' } as const
</script>

<template>
  <ul v-if="seen" ref="root" class="verdicts" aria-label="In the container">
    <li :class="air.mood">
      Air when drained <strong><FigureValue :figure="seen.physics.airSpace" /></strong>:
      {{ MOODS[air.mood] }}
    </li>
    <li v-for="one in others" :key="one.id" :class="one.mood">
      {{ sayVerdict(one, saying).title }} <strong><FigureValue :figure="one.figure" /></strong>:
      {{ MOODS[one.mood] }}
    </li>
  </ul>
</template>

<style scoped>
.verdicts {
  display: flex;
  flex-wrap: wrap;
  gap: 0.3rem 1.2rem;
}

li {
  padding-left: 0.6rem;
  border-left: 4px solid var(--line-strong);
}

.watch {
  border-color: var(--marigold);
}

.change {
  border-color: var(--beet);
}
</style>
