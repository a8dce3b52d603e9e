/** The part of the formula engine that the benchmark uses; the package ships no types. */
declare module 'fast-formula-parser' {
  export default class FormulaParser {
    constructor(config: {
      onCell: (reference: { row: number; col: number }) => unknown
      functions?: Record<string, (...given: { value: number }[]) => number>
    })
    parse(formula: string, position: { sheet: string; row: number; col: number }): number
  }
}
