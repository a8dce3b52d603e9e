/** Paper by day, the grow room by night; kept in a cookie so that the first page already has it. */
export function useTheme() {
  const theme = useCookie<'light' | 'dark'>('theme', {
    default: () => 'light',
    maxAge: 31536000,
    sameSite: 'lax',
  })
  useHead({ htmlAttrs: { class: () => (theme.value === 'dark' ? 'dark' : '') } })
  return { theme, switchTheme: () => (theme.value = theme.value === 'dark' ? 'light' : 'dark') }
}
