<script setup lang="ts">
import { withArticle } from '#core/text/plurals'
import type { Container } from '#core/containers/container'

/** What a grower says of this mix in this container, beside the book's view. It stays said, with the recipe. */
const props = defineProps<{ container: Container }>()
const today = useToday()
const recipe = useOwnRecipe()
const { printDate } = useDates()

const said = computed(() =>
  recipe.own()?.body.worksIn.find(({ containerId }) => containerId === props.container.id),
)

function say(works: boolean) {
  const on = today.value
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
