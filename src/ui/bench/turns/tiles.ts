export * as tiles from '@/core/tiles/document'
export const next = () => import('./compile')
