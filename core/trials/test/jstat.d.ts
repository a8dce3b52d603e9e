/** The part of the statistics library that a check against another's arithmetic uses; the package ships no types. */
declare module 'jstat' {
  const jstat: {
    readonly hypgeom: { pdf(hits: number, all: number, marked: number, drawn: number): number }
    readonly normal: { cdf(value: number, mean: number, sd: number): number }
  }
  export default jstat
}
