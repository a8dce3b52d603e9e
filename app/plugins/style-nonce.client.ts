/** Style elements that PrimeVue's parts make as they are drawn carry the page's nonce; others are not let in. */
export default defineNuxtPlugin(({ vueApp }) => {
  const nonce = document.querySelector<HTMLElement>('script[nonce]')?.nonce
  const { $primevue } = vueApp.config.globalProperties as {
    $primevue?: { config: { csp?: { nonce?: string } } }
  }
  if ($primevue && nonce) $primevue.config.csp = { nonce }
})
