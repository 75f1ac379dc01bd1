import { accessRoutes } from './access'
import { clientRoutes } from './clients'
import { cutRoutes } from './cuts'
import { emailRoutes } from './email'
import { interactRoutes } from './interact'
import { handoverRoutes } from './handover'
import { jobRoutes } from './jobs'
import { keptRoutes } from './kept'
import { materialRoutes } from './materials'
import { motionRoutes } from './motion'
import { readerRoutes } from './readers'
import { shareRoutes } from './shares'
import { standinRoutes } from './standins'
import { taskRoutes } from './tasks'

/**
 * The one contract between the server, the page and scripts: every route, in the order of a job. The page imports its types only, so that no schema
 * is loaded there.
 */
export const routes = {
  ...clientRoutes,
  ...keptRoutes,
  ...materialRoutes,
  ...motionRoutes,
  ...jobRoutes,
  ...cutRoutes,
  ...emailRoutes,
  ...shareRoutes,
  ...handoverRoutes,
  ...taskRoutes,
  ...standinRoutes,
  ...interactRoutes,
  ...readerRoutes,
  ...accessRoutes,
}
export type Routes = typeof routes
export type Key = keyof Routes & string
