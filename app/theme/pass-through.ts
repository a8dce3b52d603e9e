/**
 * How PrimeVue's parts are dressed: they bring behaviour and roles, the look is ours, in `components.css` and the
 * tokens. Classes stand here once; a part in use says only what it is for.
 */
/** PrimeVue's unseen stops for the Tab key are no places to be. */
const skipped = { hiddenFirstFocusableEl: { tabindex: -1 }, hiddenLastFocusableEl: { tabindex: -1 } }

export default {
  button: {
    root: ({ props }: { props: { text?: boolean } }) => ({ class: props.text ? 'icon-button' : 'button' }),
  },
  inputtext: { root: { class: 'input' } },
  textarea: { root: { class: 'input' } },
  select: skipped,
  autocomplete: {
    pcInputText: { root: { class: 'input' } },
    // The field itself opens with a press or the arrow key.
    dropdown: { tabindex: -1, 'aria-label': 'Show all' },
    list: { tabindex: 0 },
  },
  listbox: { ...skipped, pcFilter: { root: { class: 'input' } }, list: { tabindex: 0 } },
  toast: { message: { role: 'status', 'aria-live': 'polite' } },
  tablist: { tabList: { class: 'p-tablist-tab-list' } },
  tab: { root: { class: 'p-tab' } },
  tabpanels: { root: { class: 'p-tabpanels' } },
  datepicker: { pcInputText: { root: { class: 'input' } } },
}
