/** The part of the package that is used here; it brings no types of its own. */
declare module 'jstat' {
  export const jStat: { studentt: { inv(p: number, df: number): number } }
  const whole: { jStat: typeof jStat }
  export default whole
}
