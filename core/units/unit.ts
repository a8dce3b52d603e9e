/** What a quantity measures. Base units: litre, millimetre, gram, degree Celsius. */
export type Dimension = 'volume' | 'length' | 'mass' | 'temperature'

/** The kitchen decides what a bare `cup`, `tbsp` or `gal` means. */
export type UnitSystem = 'metric' | 'us' | 'imperial'

export interface Unit {
  readonly id: string
  readonly dimension: Dimension
  /** Value in base units = number · factor + offset. */
  readonly factor: number
  readonly offset?: number
  /** As printed after a number. */
  readonly symbol: string
  /** Other spellings that are read, lower case unless case matters (`T`, `t`). Each names this unit and no other. */
  readonly spellings: readonly string[]
  /** Spellings that name this unit only in these kitchens: `cup`, `gal`, `fl oz`. */
  readonly bare?: { readonly unitSystems: readonly UnitSystem[]; readonly spellings: readonly string[] }
  /** Printed and spoken in fractions (2¾ cups) rather than decimals. */
  readonly fractions?: boolean
  readonly source: string
}
