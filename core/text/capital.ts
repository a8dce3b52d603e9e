/** A text with its first letter large. */
export const capital = (text: string): string => text.slice(0, 1).toUpperCase() + text.slice(1)
