/** The files of the type, each with the letters it has: the second takes what the first lacks. */
export const SUBSETS = ['latin', 'latin-ext'] as const
export const WEIGHTS = { regular: 400, bold: 700 } as const
export type Weight = keyof typeof WEIGHTS

export const fileOfFont = (subset: (typeof SUBSETS)[number], weight: Weight) =>
  `atkinson-hyperlegible-next-${subset}-${WEIGHTS[weight]}-normal.woff`

let fonts: ReadonlyMap<string, Uint8Array> = new Map()

/** Papers are set in a thread, which has no files of its own: it is given them as it begins. */
export const bringFonts = (brought: ReadonlyMap<string, Uint8Array>): void => void (fonts = brought)

/** @throws Error where the file is missing from this build */
export function fontFile(name: string): Uint8Array {
  const file = fonts.get(name)
  if (!file) throw new Error(`The letters of ${name} are missing.`)
  return file
}
