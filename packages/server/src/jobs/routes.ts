import { listJobs, retryJob, startJob } from '@jackdaw/contracts/jobs'
import { route, type Routes } from '../http'
import { listJobsIn, startNow, tryAgain } from './list'

export function jobRoutes(routes: Routes): void {
  const { database: db } = routes.parts
  route(routes, listJobs, ({ query }) => listJobsIn(db, query))
  route(routes, retryJob, ({ params: { jobId } }) => tryAgain(db, jobId))
  route(routes, startJob, ({ body: { name } }) => startNow(db, name))
}
