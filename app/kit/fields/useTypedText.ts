export type Read<T> = { ok: true; value: T } | { ok: false; message: string }

/**
 * A text field over a value: what was typed stays as typed while it is being edited, the value follows as soon as
 * the text can be read, and the text is rewritten only when the value changes from elsewhere.
 */
export function useTypedText<T>(options: {
  id: string
  label: () => string
  value: () => T
  print: (value: T) => string
  read: (text: string) => Read<T>
  change: (value: T) => void
  /** Anything else the printing depends on, such as the kitchen. */
  also?: () => unknown
}) {
  const text = ref(options.print(options.value()))
  const message = ref<string>()
  const report = useUnreadable(options.id)
  let own: T = options.value()

  watch([options.value, () => options.also?.()], ([value], [, before]) => {
    if (Object.is(value, own) && options.also?.() === before) return
    own = value
    text.value = options.print(value)
    message.value = undefined
    report(null)
  })

  function type(written: string) {
    text.value = written
    const read = options.read(written)
    message.value = read.ok ? undefined : read.message
    report(read.ok ? null : options.label())
    if (!read.ok || Object.is(read.value, options.value())) return
    own = read.value
    options.change(read.value)
  }

  return { text, message, type }
}
