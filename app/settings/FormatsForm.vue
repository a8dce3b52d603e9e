<script setup lang="ts">
import { present } from '#core/present'
import { CURRENCY_CODES } from '#core/units/currency'
import type { HouseholdRecord } from '#shared/records/household'

/** How amounts, temperatures and dates are written; what it makes of today stands beside it at once. */
const household = useHousehold()
const preferences = usePreferences()
const today = useToday()
const { printLongDay } = useDates()
const { said, temperature, volume } = useMeasures()
type Answer = Pick<HouseholdRecord, 'units' | 'timeZone' | 'formats'>
const { saving, save, dismiss } = useHouseholdAnswer<Answer>(
  'units and dates',
  ({ units, timeZone, formats }) => ({ units, timeZone, formats }),
  (whole, answer) => ({ ...whole, ...answer }),
)
const stands = computed((): Answer => ({
  units: present(household.record).units,
  timeZone: present(household.record).timeZone,
  formats: present(household.record).formats,
}))
/** A list shows nothing for null. */
const READER = 'reader'
const formats = computed(
  () => stands.value.formats ?? { locale: null, temperature: null, weekStart: null, currency: null },
)
const set = (more: Partial<NonNullable<Answer['formats']>>) =>
  save({ ...stands.value, formats: { ...formats.value, ...more } })

/** Regions growers write in; any other tag that is kept stays among them. */
const REGIONS =
  'en-GB en-US en-CA en-AU en-NZ en-IE en-IN en-ZA de-DE de-AT de-CH fr-FR fr-CA es-ES es-MX it-IT nl-NL pt-PT pt-BR da-DK sv-SE nb-NO fi-FI pl-PL cs-CZ ja-JP'.split(
    ' ',
  )
const names = new Intl.DisplayNames(['en'], { type: 'language' })
const regions = computed(() => [
  { value: READER, name: 'as in this browser' },
  ...[...new Set([...REGIONS, ...(formats.value.locale ? [formats.value.locale] : [])])].map((value) => ({
    value,
    name: names.of(value) ?? value,
  })),
])
const zones = [
  { value: READER, name: 'where I am' },
  ...Intl.supportedValuesOf('timeZone').map((value) => ({ value, name: value.replaceAll('_', ' ') })),
]
const money = new Intl.DisplayNames(['en'], { type: 'currency' })
const currencies = computed(() => [
  { value: READER, name: 'as in the region' },
  ...[...new Set([...CURRENCY_CODES, ...(formats.value.currency ? [formats.value.currency] : [])])].map(
    (value) => ({ value, name: `${money.of(value)} (${value})` }),
  ),
])
const or = (value: string) => (value === READER ? null : value)
const FORMATS = computed(() => [
  {
    key: 'temperature' as const,
    label: 'Temperatures',
    choices: [
      { value: READER, name: 'as the units' },
      { value: 'celsius', name: '°C' },
      { value: 'fahrenheit', name: '°F' },
    ],
  },
  { key: 'locale' as const, label: 'Dates and language region', choices: regions.value },
  {
    key: 'weekStart' as const,
    label: 'Week starts on',
    choices: [
      { value: READER, name: 'as in the region' },
      { value: 'monday', name: 'Monday' },
      { value: 'sunday', name: 'Sunday' },
      { value: 'saturday', name: 'Saturday' },
    ],
  },
  { key: 'currency' as const, label: 'Currency', choices: currencies.value },
])
</script>

<template>
  <div class="formats">
    <p class="sample" role="status">{{ printLongDay(today) }} · {{ temperature(21) }} · {{ volume(1.5) }}</p>
    <div class="grid">
      <ChoiceField
        :model-value="stands.units"
        label="Units"
        :choices="UNIT_SYSTEM_CHOICES"
        @update:model-value="(units) => save({ ...stands, units })"
      />
      <ChoiceField
        v-for="one in FORMATS"
        :key="one.key"
        :model-value="formats[one.key] ?? READER"
        :label="one.label"
        :choices="one.choices"
        @update:model-value="(value) => set({ [one.key]: or(value) })"
      />
      <ChoiceField
        :model-value="stands.timeZone ?? READER"
        label="Time zone"
        :choices="zones"
        @update:model-value="(value) => save({ ...stands, timeZone: or(value) })"
      />
      <ChoiceField
        v-model="preferences.theme"
        :label="said('Colours on this device')"
        :choices="[
          { value: 'system', name: 'as the device' },
          { value: 'light', name: 'light' },
          { value: 'dark', name: 'dark, for the grow room' },
        ]"
      />
    </div>
    <SaveProblem :saving="saving" @settled="dismiss" @later="dismiss" />
  </div>
</template>

<style scoped>
.formats,
.grid {
  display: grid;
  gap: 0.7rem;
}

.grid {
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 15rem), 1fr));
}

.sample {
  font-size: 1.15rem;
  font-weight: 650;
}
</style>
