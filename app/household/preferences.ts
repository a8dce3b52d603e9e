import { useCookie } from '#imports'
import { defineStore } from 'pinia'

const YEAR_S = 31_536_000

/** How this browser likes it; in cookies, so that the first page already has it. */
export const usePreferences = defineStore('preferences', () => {
  /** Paper by day, the grow room by night. */
  const theme = useCookie<'light' | 'dark'>('theme', {
    default: () => 'light',
    maxAge: YEAR_S,
    sameSite: 'lax',
  })
  /** Single-letter keys can be turned off: a stray touch must not move anybody (WCAG 2.1.4). */
  const letterKeys = useCookie<boolean>('letter-keys', {
    default: () => true,
    maxAge: YEAR_S,
    sameSite: 'lax',
  })
  return { theme, letterKeys, switchTheme: () => (theme.value = theme.value === 'dark' ? 'light' : 'dark') }
})
