/** How far a delivery is. `unknown`: the app was stopped meanwhile, so nobody can say whether it arrived. */
export const deliveryStates = ['sending', 'done', 'failed', 'unknown'] as const

/** How far long work is. `broken`: the app was stopped before it was done. */
export const taskStates = ['running', 'done', 'failed', 'cancelled', 'broken'] as const
