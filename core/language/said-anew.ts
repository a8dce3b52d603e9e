/** A text with some of its words replaced. */
export const saidAnew = (
  text: string,
  { from, to }: { readonly from: number; readonly to: number },
  words: string,
): string => `${text.slice(0, from)}${words}${text.slice(to)}`.replace(/\s+/g, ' ').trim()
