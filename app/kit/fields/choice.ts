/** What can be chosen, and how it is called. */
export interface Choice<V> {
  value: V
  name: string
}

/** Choices that belong together, under a heading. */
export interface ChoiceGroup<V> {
  group: string
  choices: Choice<V>[]
}
