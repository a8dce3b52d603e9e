<script setup lang="ts">
// What a first page does not show comes when it is asked for.
const AskDialog = defineAsyncComponent(() => import('~/kit/AskDialog.vue'))
const CommandPalette = defineAsyncComponent(() => import('~/shell/CommandPalette.vue'))
const FirstHousehold = defineAsyncComponent(() => import('~/shell/FirstHousehold.vue'))
const HelpPanel = defineAsyncComponent(() => import('~/help/HelpPanel.vue'))
const InUseDialog = defineAsyncComponent(() => import('~/kit/record-forms/InUseDialog.vue'))
const JobTimers = defineAsyncComponent(() => import('~/today/jobs/JobTimers.vue'))
const MaterialTextures = defineAsyncComponent(() => import('~/kit/drawings/MaterialTextures.vue'))
const ShellNote = defineAsyncComponent(() => import('~/shell/ShellNote.vue'))
const WorkingSlip = defineAsyncComponent(() => import('~/kit/figures/WorkingSlip.vue'))
const household = useHousehold()
const palette = ref(false)
// After the list that Escape has just closed: it takes the focus back with a timer of its own.
const showPalette = () => setTimeout(() => (palette.value = true))
const help = useHelpOpen()
useKeys({ palette: showPalette, help: () => (help.value = true), typing: () => palette.value })
const working = useWorking()
const inUse = useInUse()
const paletteAsked = useOnce(() => palette.value)
const helpAsked = useOnce(() => help.value)
const workingAsked = useOnce(() => working.anchor)
const removalAsked = useOnce(() => inUse.value)
const { notes } = useNotes()
const noteSaid = useOnce(() => notes.value)
const hasOpenJobs = computed(() => household.guidedJobs.some(({ body }) => body.status !== 'ended'))
const preferences = usePreferences()
const route = useRoute()
await household.ready()
keepToday()
// What was on its way when the page was left.
onMounted(() => setTimeout(() => void useCommands().resend()))
useHead({
  title: () => route.meta.place?.title ?? '',
  htmlAttrs: { 'data-theme': () => preferences.theme },
})
</script>

<template>
  <div>
    <NuxtRouteAnnouncer />
    <a class="skip" href="#main">Skip to the page</a>
    <!-- Drawn once the page is alive: 300 kB of marks need not travel with every page. -->
    <ClientOnly><MaterialTextures /></ClientOnly>
    <ShellHeader v-if="!route.meta.bare" @palette="showPalette" @help="help = true" />
    <PlaceTabs v-if="household.everything && !route.meta.bare" />
    <StorageNotice />
    <ClientOnly><JobTimers v-if="hasOpenJobs" /></ClientOnly>
    <component
      :is="route.meta.bare ? 'div' : 'main'"
      id="main"
      tabindex="-1"
      :class="{ bare: route.meta.bare }"
    >
      <ServerSilent v-if="household.failed" />
      <FirstHousehold v-else-if="!household.everything" />
      <NuxtPage v-else />
    </component>
    <WorkingSlip v-if="workingAsked" />
    <CommandPalette v-if="paletteAsked" v-model="palette" />
    <HelpPanel v-if="helpAsked" v-model="help" />
    <InUseDialog v-if="removalAsked" />
    <AskDialog v-if="wasAsked" />
    <ShellNote v-if="noteSaid" />
  </div>
</template>

<style scoped>
#main {
  max-width: 88rem;
  margin: 0 auto;
  padding: 1.1rem clamp(0.9rem, 2vw, 2rem) calc(3rem + var(--foot) + var(--note));
  outline: none;
}

#main.bare {
  padding-block: 0.6rem 0;
}

.skip {
  position: absolute;
  left: 1rem;
  top: -4rem;
  z-index: 20;
  padding: 0.6rem 1rem;
  background: var(--paper-raised);
}

.skip:focus {
  top: 0.5rem;
}
</style>
