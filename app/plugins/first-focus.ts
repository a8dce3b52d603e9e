/**
 * `v-first-focus`: where a dialog puts the focus when it opens. The dialog looks for the attribute; written into the
 * template, the browser itself would act on it first, and complain.
 */
export default defineNuxtPlugin(({ vueApp }) => {
  vueApp.directive<HTMLElement>('first-focus', {
    mounted: (element) => (element.querySelector('input') ?? element).setAttribute('autofocus', ''),
    getSSRProps: () => ({}),
  })
})
