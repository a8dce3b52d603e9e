/** An example household opened beside one’s own: which is the own one is remembered on this device, to go back to. */
export const useExample = defineStore('example', () => {
  const household = useHousehold()
  const { note } = useNotes()
  const own = useKept<{ id: string; name: string; example: string } | null>('own-household', null, {
    initOnMounted: true,
    serializer: { read: (text) => JSON.parse(text), write: (value) => JSON.stringify(value) },
  })
  const opening = ref(false)

  async function openExample() {
    opening.value = true
    try {
      const mine = household.record ? { id: household.id, name: household.record.name } : null
      const id = newId()
      await sendCommand(id, { name: 'make example' })
      if (mine) own.value = { ...mine, example: id }
      await household.moveTo(id)
      await navigateTo('/')
    } catch (error) {
      note(whyNot(error))
    }
    opening.value = false
  }
  async function goBack() {
    if (!own.value) return
    await household.moveTo(own.value.id)
    await navigateTo('/')
  }
  /** It is made up: what goes is gone, but for the month in which any household can be brought back. */
  async function throwAway() {
    const { everything, id } = household
    const back = own.value
    if (!everything || back?.example !== id) return
    try {
      await sendCommand(id, { name: 'remove household', version: everything.household.version })
      own.value = null
      await household.moveTo(back.id)
      await navigateTo('/')
      note('The example is gone.')
    } catch (error) {
      note(whyNot(error))
    }
  }
  return {
    openExample,
    opening,
    goBack,
    throwAway,
    /** One’s own household, where the one that is open is the example beside it. */
    back: computed(() => (own.value?.example === household.id ? own.value : null)),
  }
})
