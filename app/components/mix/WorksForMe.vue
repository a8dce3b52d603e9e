<script setup lang="ts">
import { computed } from 'vue'
import CheckField from '~/components/fields/CheckField.vue'
import { newId } from '~/composables/newId'
import { useDates } from '~/composables/useDates'
import { useNotes } from '~/composables/useNotes'
import { copyOf } from '~/composables/copyOf'
import { useHousehold } from '~/state/household'
import { useMixDraft } from '~/state/mixDraft'
import { useSaving } from '~/state/saving'
import { dayIn } from '#core/season/day'
import { withArticle } from '#core/bench/wording'
import type { Container } from '#core/containers/container'

/** What a grower says of this mix in this container, beside the book's view. It stays said, with the recipe. */
const props = defineProps<{ container: Container }>()
const household = useHousehold()
const mix = useMixDraft()
const { save } = useSaving('recipes')
const { note } = useNotes()
const { printDate } = useDates()

const own = computed(() => household.recipes.find(({ id }) => id === mix.draft.recipeId))
const said = computed(() =>
  mix.adjusted
    ? undefined
    : own.value?.body.worksIn.find(({ containerId }) => containerId === props.container.id),
)

async function say(works: boolean) {
  const here = household.record?.timeZone ?? Intl.DateTimeFormat().resolvedOptions().timeZone
  const on = dayIn(here, new Date())
  const base = mix.adjusted ? undefined : own.value
  const { parts, extras, preparations } = copyOf(mix.draft)
  const others = (base?.body.worksIn ?? []).filter(({ containerId }) => containerId !== props.container.id)
  const kept = await save(base?.id ?? newId(), base?.version ?? 0, {
    ...(base?.body ?? {
      name: `${mix.recipe?.name ?? 'Mix'}, ours`,
      reasoning: '',
      parts,
      extras,
      preparations,
    }),
    worksIn: works ? [...others, { containerId: props.container.id, on }] : others,
  })
  if (!kept) return
  mix.change('recipe', (draft) => (draft.recipeId = kept.stored.id))
  if (!base) note(`Kept as ${kept.stored.body.name}.`)
}
</script>

<template>
  <p class="works">
    <CheckField :model-value="!!said" @update:model-value="say">
      It works for me in {{ withArticle(container.name)
      }}<span v-if="said" class="soft">, said {{ printDate(said.on) }}</span>
    </CheckField>
  </p>
</template>
