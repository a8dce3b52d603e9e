<script setup lang="ts">
import { present } from '#core/present'
import { withArticle } from '#core/text/plurals'
import type { FinderTrait } from '#core/media/finder'
import { saidInParts } from '#core/media/recipe'
import { substitute } from '#core/media/substitute'
import { printTrait, TRAITS } from '#shared/drawings/traits'

/** Another material in the place of one, with the parts moved so that the mix stays nearest to what it was. */
const props = defineProps<{ materialId: string }>()
const emit = defineEmits<{ close: [] }>()

const context = useContext()
const mix = useMixDraft()
const SHOWN: FinderTrait[] = ['air', 'water', 'ph', 'salts', 'food']

const from = computed(() => context.materials.get(props.materialId))
const choices = computed(() =>
  context.media
    .filter(({ id }) => !mix.draft.parts.some(({ materialId }) => materialId === id))
    .map(({ id, name }) => ({ value: id, name })),
)
const to = ref<string>()
const container = computed(() => context.containers.get(mix.draft.fills[0]?.containerId ?? ''))
const swapped = computed(() =>
  to.value && container.value
    ? substitute(mix.draft.parts, props.materialId, to.value, container.value, context.materials)
    : null,
)

function use() {
  mix.change('swap', (draft) => (draft.parts = present(swapped.value).parts.map((part) => ({ ...part }))))
  emit('close')
}
</script>

<template>
  <Dialog
    visible
    modal
    :header="`Instead of ${from?.name ?? 'it'}`"
    :draggable="false"
    @update:visible="emit('close')"
  >
    <div class="swap stack-l">
      <ChoiceField v-model="to" label="Use" :choices="choices" placeholder="Choose a material" />
      <template v-if="swapped && container">
        <p>
          <strong>{{ saidInParts(swapped.parts) }}</strong>
          {{
            swapped.parts
              .map(({ materialId }) => present(context.materials.get(materialId)).name.split(',')[0])
              .join(', ')
          }}
        </p>
        <RecipeBar :parts="swapped.parts" />
        <FigureTable :columns="[`In ${withArticle(container.name)}`, 'before', 'after']">
          <tr v-for="trait in SHOWN" :key="trait">
            <th scope="row">{{ TRAITS[trait].name }}</th>
            <td>{{ printTrait(trait, swapped.before[trait]) }}</td>
            <td>{{ printTrait(trait, swapped.after[trait]) }}</td>
          </tr>
        </FigureTable>
      </template>
      <p v-else class="soft">
        The other parts move so that air, water and food stay nearest to what they are.
      </p>
      <div class="buttons">
        <Button class="main" :disabled="!swapped" @click="use">Use these parts</Button>
        <Button @click="emit('close')">Cancel</Button>
      </div>
    </div>
  </Dialog>
</template>
