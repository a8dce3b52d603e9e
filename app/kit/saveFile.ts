/** Hands a text to the reader as a file of their own. */
export const saveFile = (name: string, type: string, text: string) =>
  saveBlob(name, new Blob([text], { type }))

export function saveBlob(name: string, blob: Blob) {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(blob)
  link.download = name
  link.click()
  URL.revokeObjectURL(link.href)
}
