export { recordingRoutes } from './routes'
export { whoRecords } from './whoRecords'
