import { buildWorker } from './build-worker.mjs'

export default async () => {
  await buildWorker()
}
