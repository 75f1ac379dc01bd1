export * as compile from '@/core/compile'
export const next = () => import('../bench')
