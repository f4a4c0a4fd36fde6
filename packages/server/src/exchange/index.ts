export { exchangeRoutes } from './routes'
export { importGuide } from './importGuide'
export { readZip, ZIP_LIMITS } from './readZip'
