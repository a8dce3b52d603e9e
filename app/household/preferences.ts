const YEAR_S = 31_536_000

/** How this browser likes it; in cookies, so that the first page already has it. */
export const usePreferences = defineStore('preferences', () => {
  /** Paper by day, the grow room by night; by the system until somebody chooses. */
  const theme = useCookie<'system' | 'light' | 'dark'>('theme', {
    default: () => 'system',
    maxAge: YEAR_S,
    sameSite: 'lax',
  })
  /** Single-letter keys can be turned off: a stray touch must not move anybody (WCAG 2.1.4). */
  const letterKeys = useCookie<boolean>('letter-keys', {
    default: () => true,
    maxAge: YEAR_S,
    sameSite: 'lax',
  })
  const isDark = () =>
    theme.value === 'dark' ||
    (theme.value === 'system' && window.matchMedia('(prefers-color-scheme: dark)').matches)
  return { theme, letterKeys, switchTheme: () => (theme.value = isDark() ? 'light' : 'dark') }
})
