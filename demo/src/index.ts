export { ACCOUNTS, DEMO_PASSWORD, demoCompany } from './company'
export { seedDemo } from './seed'
export type { Batch, DemoServices, NewPerson } from './services'
