/** Likeness as it is shown: rounded down, so that only the same is 100 %. @param digits behind the point */
export function percent(likeness: number, digits = 0): string {
  const factor = 10 ** digits
  return `${(Math.floor(Math.max(0, likeness) * 100 * factor) / factor).toFixed(digits)} %`
}
