export { mailer } from './mailer'
export type { Mail, Mailer } from './mailer'
