export { exchange } from './domain'
export { importGuide } from './importGuide'
export { readZip, ZIP_LIMITS } from './readZip'
