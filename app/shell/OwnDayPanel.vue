<script setup lang="ts">
/** The day and the clock of a demo, and the ways out of it. */
const props = defineProps<{ from: HTMLElement }>()
defineEmits<{ close: [] }>()
const today = useToday()
const { clock, set, saving, dismiss } = useDayOfDemo()
const example = useExample()
const popover = useTemplateRef('popover')
onMounted(() => popover.value?.show({ currentTarget: props.from } as unknown as Event, props.from))
const PACES = [
  { value: '1', name: 'stopped' },
  { value: '60', name: 'an hour a minute' },
  { value: '1440', name: 'a day a minute' },
]
</script>

<template>
  <Popover ref="popover" @hide="$emit('close')">
    <div class="panel stack-l">
      <p><strong>This is a demo.</strong> It has a day of its own.</p>
      <DayField :model-value="today" label="Day" @update:model-value="$event && set($event)" />
      <ChoiceField
        :model-value="String(clock?.speed)"
        label="Clock"
        :choices="PACES"
        @update:model-value="set(today, Number($event))"
      />
      <SaveProblem :saving="saving" @settled="dismiss" @later="dismiss" />
      <template v-if="example.back">
        <Button class="main" @click="example.goBack()">Back to {{ example.back.name }}</Button>
        <Button @click="example.throwAway()">Delete this demo</Button>
      </template>
    </div>
  </Popover>
</template>

<style scoped>
.panel {
  padding: 0.8rem;
  min-width: 15rem;
}
</style>
