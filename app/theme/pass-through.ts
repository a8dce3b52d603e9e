/**
 * How PrimeVue's parts are dressed: they bring behaviour and roles, the look is ours, in `components.css` and the
 * tokens. Classes stand here once; a part in use says only what it is for.
 */
export default {
  button: {
    root: ({ props }: { props: { text?: boolean } }) => ({ class: props.text ? 'icon-button' : 'button' }),
  },
  inputtext: { root: { class: 'input' } },
  textarea: { root: { class: 'input' } },
  select: {
    hiddenFirstFocusableEl: { tabindex: -1 },
    hiddenLastFocusableEl: { tabindex: -1 },
  },
  autocomplete: {
    pcInputText: { root: { class: 'input' } },
    // The field itself opens with a press or the arrow key.
    dropdown: { tabindex: -1, 'aria-label': 'Show all' },
  },
  toast: { message: { role: 'status', 'aria-live': 'polite' } },
  datepicker: { pcInputText: { root: { class: 'input' } } },
}
