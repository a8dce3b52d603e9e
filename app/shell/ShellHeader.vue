<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import SelectButton from 'primevue/selectbutton'
import { usePlaces } from '~/shell/usePlaces'
import { useUnitsAnswer } from '~/first-hour/useUnitsAnswer'
import SaveProblem from '~/kit/record-forms/SaveProblem.vue'
import Dialog from 'primevue/dialog'
import Button from 'primevue/button'
import { useRoute } from '#imports'
import { NuxtLink } from '#components'
import { useHousehold } from '~/household/household'
import { usePreferences } from '~/household/preferences'
import { CircleQuestionMark, Moon, Search, Settings, Sun } from '@lucide/vue'
import type { UnitSystem } from '#core/units/unit'

defineEmits<{ palette: []; help: [] }>()
const route = useRoute()
const household = useHousehold()
const preferences = usePreferences()

const { main } = usePlaces()
/** On a phone the first of them stand at the foot, under the thumb, and the rest behind More. */
const AT_THE_FOOT = 4
const more = ref(false)
watch(
  () => route.path,
  () => (more.value = false),
)
/** A page stands under the place it belongs to. */
const here = (path: string) =>
  (route.meta.place?.parent ?? (route.path.startsWith('/bench') ? '/' : route.path)) === path

const UNIT_SYSTEMS: { value: UnitSystem; name: string; long: string }[] = [
  { value: 'metric', name: 'mL', long: 'Metric kitchen' },
  { value: 'us', name: 'US', long: 'US kitchen' },
  { value: 'imperial', name: 'imp', long: 'Imperial kitchen' },
]

const { saving, save, dismiss } = useUnitsAnswer()
const showing = ref<UnitSystem>()
const units = computed(() => showing.value ?? household.units)
async function chooseUnits(wanted: UnitSystem) {
  if (!household.record || household.units === wanted) return
  // At once on screen; put back if the server will not have it.
  showing.value = wanted
  await save({ units: wanted })
  showing.value = undefined
}
</script>

<template>
  <header class="shell">
    <NuxtLink to="/" class="brand" aria-label="Blastomix, to the bench">
      <svg viewBox="0 0 32 30" width="34" height="32" aria-hidden="true">
        <path d="M16 29V15" stroke="currentColor" stroke-width="2.4" stroke-linecap="round" />
        <path
          d="M16 16C8.500 16 5 11.500 5 5c7.500 0 11 4.500 11 11Zm0 3c0-5.500 3.500-9 10-9 0 6.500-3.500 9-10 9Z"
          fill="currentColor"
        />
      </svg>
      <span>Blastomix</span>
    </NuxtLink>
    <nav aria-label="Places" :class="{ open: more }">
      <NuxtLink
        v-for="(place, i) in main"
        :key="place.path"
        :to="place.path"
        class="stake"
        :class="{ here: here(place.path), rest: i >= AT_THE_FOOT }"
        :aria-current="here(place.path) ? 'page' : undefined"
        :title="preferences.letterKeys ? `${place.what} (${place.key})` : place.what"
      >
        {{ place.title }}
      </NuxtLink>
      <button type="button" class="stake all" :aria-expanded="more" @click="more = !more">More</button>
    </nav>
    <div class="settings">
      <SelectButton
        v-if="household.everything"
        class="units"
        aria-label="Units"
        :model-value="units"
        :options="UNIT_SYSTEMS"
        option-label="long"
        option-value="value"
        :allow-empty="false"
        @update:model-value="chooseUnits"
      >
        <template #option="{ option }">
          <span aria-hidden="true">{{ option.name }}</span><span class="unseen">{{ option.long }}</span>
        </template>
      </SelectButton>
      <Button
        text
        :aria-label="preferences.theme === 'dark' ? 'Light, for the day' : 'Dark, for the grow room'"
        @click="preferences.switchTheme()"
      >
        <Sun v-if="preferences.theme === 'dark'" aria-hidden="true" />
        <Moon v-else aria-hidden="true" />
      </Button>
      <Button text aria-label="Go to or do (Ctrl K)" title="Go to or do (Ctrl K)" @click="$emit('palette')">
        <Search aria-hidden="true" />
      </Button>
      <Button
        text
        aria-label="What is this page for? (?)"
        title="What is this page for? (?)"
        @click="$emit('help')"
      >
        <CircleQuestionMark aria-hidden="true" />
      </Button>
      <NuxtLink to="/settings" class="icon-button" aria-label="Settings" title="Settings">
        <Settings aria-hidden="true" />
      </NuxtLink>
    </div>
    <Dialog
      :visible="'message' in saving"
      modal
      header="The units were not saved"
      :draggable="false"
      @update:visible="dismiss"
    >
      <SaveProblem :saving="saving" @settled="dismiss" @later="dismiss" />
    </Dialog>
  </header>
</template>

<style scoped>
/* Plant labels stuck into a strip of soil. */
.shell {
  position: relative;
  display: flex;
  align-items: flex-end;
  gap: clamp(0.6rem, 1.6vw, 3rem);
  padding: 0.5rem clamp(0.9rem, 2vw, 2rem) 0;
  background: var(--paper-deep);
  overflow: hidden;
}

.shell::after {
  content: '';
  position: absolute;
  inset: auto 0 0;
  height: 0.7rem;
  background:
    radial-gradient(circle at 6px 1px, var(--paper-deep) 2.5px, transparent 3px) 0 0 / 17px 100% repeat-x,
    radial-gradient(circle at 3px 0, var(--paper-deep) 2px, transparent 2.5px) 0 0 / 11px 100% repeat-x,
    var(--soil);
  pointer-events: none;
}

.brand {
  display: flex;
  align-items: center;
  gap: 0.35rem;
  padding-bottom: 1rem;
  color: var(--ink);
  font: 720 1.5rem/1 var(--heading);
  letter-spacing: -0.03em;
  text-decoration: none;
}

.brand svg {
  color: var(--enamel);
}

nav {
  display: flex;
  gap: 0.4rem;
}

.stake {
  display: block;
  padding: 0.55rem clamp(0.6rem, 1.15vw, 1.15rem) 1.5rem;
  margin-bottom: -0.35rem;
  border: 1.5px solid var(--line-strong);
  border-bottom: 0;
  border-radius: 0.55rem 0.55rem 0 0;
  background: var(--paper-raised);
  color: var(--ink);
  font-weight: 650;
  text-decoration: none;
  translate: 0 0.3rem;
}

.all {
  display: none;
  font: inherit;
  font-weight: 650;
}

.stake:hover {
  translate: 0 0.1rem;
  color: var(--enamel);
}

.stake.here {
  border-color: var(--enamel);
  background: var(--enamel);
  color: var(--on-enamel);
  translate: 0 0;
}

.settings {
  display: flex;
  align-items: center;
  gap: 0.1rem;
  margin-left: auto;
  padding-bottom: 0.95rem;
}

@media (prefers-reduced-motion: no-preference) {
  .stake {
    transition: translate 0.12s;
  }
}

@media (max-width: 46rem) {
  .shell {
    flex-wrap: wrap;
    gap: 0.2rem 0.75rem;
    padding-inline: 0.7rem;
  }

  .brand {
    padding-bottom: 0.9rem;
    font-size: 1.3rem;
  }

  .settings {
    padding-bottom: 0.9rem;
  }

  .settings {
    gap: 0;
  }

  nav {
    position: fixed;
    inset: auto 0 0;
    z-index: 20;
    flex-wrap: wrap;
    gap: 0.3rem;
    padding: 0.4rem 0.4rem 0;
    background: var(--paper-deep);
    border-top: 0.35rem solid var(--soil);
  }

  .stake {
    flex: 1 1 17%;
    padding: 0.75rem 0.2rem;
    margin: 0;
    text-align: center;
    translate: none;
  }

  .rest {
    display: none;
    flex-basis: 30%;
    order: -1;
    border-bottom: 1.5px solid var(--line-strong);
    border-radius: 0.55rem;
  }

  .open .rest,
  .all {
    display: block;
  }
}
</style>
