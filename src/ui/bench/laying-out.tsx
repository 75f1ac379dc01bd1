/** What stands in the window until the bench does. */
export const LayingOut = () => (
  <p className="grid h-dvh place-items-center text-soft">Laying out the bench…</p>
)
