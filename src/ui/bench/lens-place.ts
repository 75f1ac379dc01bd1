import { createContext, useContext, type ReactNode } from 'react'

/** What a lens can be set to where it stands: which one it is, whether it shows full size, what ends its head. */
export interface LensPlace {
  menu: ReactNode
  end?: ReactNode
  full: boolean
  onFull: () => void
}

const Context = createContext<LensPlace | null>(null)
export const LensPlaceOf = Context.Provider

/** The place of the lens around; null where it cannot be changed. */
export const useLensPlace = (): LensPlace | null => useContext(Context)
