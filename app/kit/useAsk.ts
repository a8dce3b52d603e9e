import { useConfirm } from 'primevue/useconfirm'

interface Question {
  readonly header: string
  readonly message: string
  readonly yes: string
  readonly no: string
}

/** Whether anything was asked yet: the dialog that asks is loaded with the first question. */
export const wasAsked = ref(false)
let arrive: () => void
const dialog = new Promise<void>((resolve) => (arrive = resolve))
export const dialogArrived = () => arrive()

/** A question that must be answered before something goes on. Closing it means no. */
export function useAsk() {
  const confirm = useConfirm()
  return async ({ header, message, yes, no }: Question): Promise<boolean> => {
    wasAsked.value = true
    await dialog
    return new Promise((resolve) =>
      confirm.require({
        header,
        message,
        acceptLabel: yes,
        rejectLabel: no,
        defaultFocus: 'none',
        accept: () => resolve(true),
        reject: () => resolve(false),
        onHide: () => resolve(false),
      }),
    )
  }
}
