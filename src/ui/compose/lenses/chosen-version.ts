import { create } from 'zustand'

/** The kept version of each job that its lens shows; where none was chosen, the latest. */
interface Chosen {
  versions: Readonly<Record<string, string>>
  /** The job whose lens is to open. */
  asked: string | null
  choose: (job: string, version: string) => void
  /** Chooses a version, and asks for its lens. */
  show: (job: string, version: string) => void
  shown: () => void
}

export const useChosenVersion = create<Chosen>((set) => ({
  versions: {},
  asked: null,
  choose: (job, version) => set((s) => ({ versions: { ...s.versions, [job]: version } })),
  show: (job, version) => set((s) => ({ versions: { ...s.versions, [job]: version }, asked: job })),
  shown: () => set({ asked: null }),
}))
