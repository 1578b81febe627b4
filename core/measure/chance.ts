import jstat from 'jstat'

/** Share of a standard normal figure that lies below x. */
export const normalShare = (x: number): number => jstat.normal.cdf(x, 0, 1)
/** The standard normal figure below which a share p lies: 1.2816 of 0.9. */
export const normalQuantile = (p: number): number => jstat.normal.inv(p, 0, 1)
/** The same of Student’s t, by degrees of freedom: 1.383 of 0.9 and 9. */
export const studentQuantile = (p: number, df: number): number => jstat.studentt.inv(p, df)
