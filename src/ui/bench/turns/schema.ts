// The first turn of the bench's start. Each turn imports the next, so that what it brought is known to be there.
export * as schema from '@/core/email/schema'
export const next = () => import('./tiles')
