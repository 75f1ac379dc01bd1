/** Likeness as it is shown: rounded down, so that only the same is 100 %. */
export const percent = (likeness: number): string => `${Math.floor(Math.max(0, likeness) * 100)} %`
