/** How far a computation is. */
export type Tell = (progress: { done: number; total: number }) => void
