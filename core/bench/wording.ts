/** A name inside a sentence: `Teaspoon` becomes `teaspoon`, `1 L measure` and `EC pen` stay. */
export function inSentence(name: string): string {
  return /^\p{Lu}\p{Ll}/u.test(name) ? name[0]!.toLowerCase() + name.slice(1) : name
}
