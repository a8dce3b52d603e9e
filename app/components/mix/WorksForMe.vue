<script setup lang="ts">
import { computed } from 'vue'
import CheckField from '~/components/fields/CheckField.vue'
import { useDates } from '~/composables/useDates'
import { useOwnRecipe } from '~/composables/useOwnRecipe'
import { useHousehold } from '~/state/household'
import { dayIn } from '#core/season/day'
import { withArticle } from '#core/bench/wording'
import type { Container } from '#core/containers/container'

/** What a grower says of this mix in this container, beside the book's view. It stays said, with the recipe. */
const props = defineProps<{ container: Container }>()
const household = useHousehold()
const recipe = useOwnRecipe()
const { printDate } = useDates()

const said = computed(() =>
  recipe.own()?.body.worksIn.find(({ containerId }) => containerId === props.container.id),
)

function say(works: boolean) {
  const here = household.record?.timeZone ?? Intl.DateTimeFormat().resolvedOptions().timeZone
  const on = dayIn(here, new Date())
  const containerId = props.container.id
  return recipe.say(({ worksIn }) => {
    const others = worksIn.filter((one) => one.containerId !== containerId)
    return { worksIn: works ? [...others, { containerId, on }] : others }
  })
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
