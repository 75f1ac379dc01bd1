import type { Cut } from '@/core/cut/plan'

/** What the picture of a cut depends on: its place, how it is encoded, and the ground it is cut out of. */
export const rectKey = (c: Cut): string =>
  [
    c.x,
    c.y,
    c.w,
    c.h,
    c.own?.id ?? '',
    JSON.stringify([c.encoding, c.narrow]),
    c.encoding?.cutout ? c.ground : '',
  ].join()
