import type { HouseStyle } from '@/core/email/styles'

/** Changes the house style that is being worked on. */
export type SetHouse = (change: (h: HouseStyle) => HouseStyle) => void
