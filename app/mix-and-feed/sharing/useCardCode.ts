import QRCode from 'qrcode'
import { asFragment, type Card } from '#shared/sharing/card'

/** So many letters a code of the densest kind that a phone still reads. */
const MAX_CODE_LETTERS = 1800

/** The link that holds a card whole, and the code of it; no code where it would be too dense to be read. */
export function useCardCode(card: Ref<Card | null>) {
  const link = computed(() =>
    card.value ? `${window.location.origin}/shared#${asFragment(card.value)}` : '',
  )
  const code = ref('')
  watch(
    card,
    async () => {
      const said = import.meta.client ? link.value : ''
      code.value =
        said && said.length <= MAX_CODE_LETTERS
          ? `data:image/svg+xml;utf8,${encodeURIComponent(
              await QRCode.toString(said, { type: 'svg', errorCorrectionLevel: 'L', margin: 2 }),
            )}`
          : ''
    },
    { immediate: true },
  )
  return { link, code }
}
