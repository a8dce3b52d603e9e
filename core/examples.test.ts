import { expect, it } from '@jest/globals'
import { readFileSync } from 'node:fs'
import { globSync } from 'tinyglobby'

/*
 * Every `@example` of core is run: `expression // what it gives`. What it gives is an expression too; `≈` stands before a
 * number that is rounded, `throws RangeError` where it throws. Everything that core exports can be named.
 */

interface Example {
  readonly file: string
  readonly text: string
}

const files = globSync(['core/**/*.ts'], { ignore: ['**/*.test.ts', '**/test/**'] }).sort()
const examples = files.flatMap((file): Example[] =>
  [...readFileSync(file, 'utf8').matchAll(/@example (.+?)(?:\s*\*\/)?$/gm)].map(([, text]) => ({
    file,
    text: text!,
  })),
)

const modules = new Map<string, Record<string, unknown>>()
for (const file of files) modules.set(file, (await import(`../${file}`)) as Record<string, unknown>)
const everything = Object.assign({}, ...modules.values()) as Record<string, unknown>

function valueOf(expression: string, scope: Record<string, unknown>): unknown {
  const names = Object.keys(scope).filter((name) => new RegExp(`\\b${name}\\b`).test(expression))
  return new Function(...names, `return (${expression})`)(...names.map((name) => scope[name]))
}

it('is there to run', () => expect(examples.length).toBeGreaterThan(100))

it.each(examples.map((one) => [one.text, one] as const))('%s', (text, { file }) => {
  const at = text.lastIndexOf(' // ')
  const [expression, gives] = [text.slice(0, at), text.slice(at + 4)]
  // Its own module names a thing first, where two modules have one of that name.
  const scope = { ...everything, ...modules.get(file) }
  const throws = /^throws (\w+)$/.exec(gives)
  if (throws) {
    expect(() => valueOf(expression, scope)).toThrow(
      (globalThis as Record<string, unknown>)[throws[1]!] as ErrorConstructor,
    )
    return
  }
  const about = /^≈ (-?\d+(?:\.(\d+))?)$/.exec(gives)
  const value = valueOf(expression, scope)
  if (about) expect(value).toBeCloseTo(Number(about[1]), about[2]?.length ?? 0)
  else expect(value).toEqual(valueOf(gives, scope))
})
