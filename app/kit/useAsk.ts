import { useConfirm } from 'primevue/useconfirm'

interface Question {
  readonly header: string
  readonly message: string
  readonly yes: string
  readonly no: string
}

/** A question that must be answered before something goes on. Closing it means no. */
export function useAsk() {
  const confirm = useConfirm()
  return ({ header, message, yes, no }: Question): Promise<boolean> =>
    new Promise((resolve) =>
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
