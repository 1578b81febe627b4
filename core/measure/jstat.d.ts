/** What is used of the statistics package, which ships no types. */
declare module 'jstat' {
  interface Distribution {
    inv(p: number, mean: number, sd: number): number
    cdf(x: number, mean: number, sd: number): number
  }
  const jstat: {
    normal: Distribution
    studentt: { inv(p: number, df: number): number }
  }
  export default jstat
}
