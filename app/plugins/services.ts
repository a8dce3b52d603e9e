import { defineNuxtPlugin } from '#imports'
import ConfirmationService from 'primevue/confirmationservice'
import ToastService from 'primevue/toastservice'

/** PrimeVue's questions and notes. */
export default defineNuxtPlugin(({ vueApp }) => {
  vueApp.use(ConfirmationService)
  vueApp.use(ToastService)
})
