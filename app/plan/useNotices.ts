import type { Notice } from '#core/season/schedule/notices'
import { sayNotice } from '#shared/messages/notices'

/** What is to be known before sowing, in words. */
export function useNotices() {
  const saying = useSaying()
  return (notice: Notice) => sayNotice(notice, saying.value)
}
