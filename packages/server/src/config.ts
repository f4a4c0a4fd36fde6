import { isAbsolute, resolve } from 'node:path'
import * as z from 'zod/mini'

const Environment = z.object({
  DATABASE_URL: z.string().check(z.minLength(1)),
  PORT: z._default(z.coerce.number().check(z.int(), z.minimum(0), z.maximum(65_535)), 4400),
  HOST: z._default(z.string(), '127.0.0.1'),
  SESSION_SECRET: z.string().check(z.minLength(32)),
  STORAGE_DIR: z.string().check(z.minLength(1)),
  WEB_DIR: z._default(z.string(), ''),
  COMPANY: z._default(z.string(), 'Larkmoor Glasshouses'),
  HTTPS: z._default(z.enum(['yes', 'no']), 'no'),
  TRUSTED_PROXIES: z.optional(z.string()),
  LOG_LEVEL: z._default(z.enum(['debug', 'info', 'warn', 'error', 'silent']), 'info'),
  DB_CONNECTIONS: z._default(z.coerce.number().check(z.int(), z.minimum(2), z.maximum(200)), 10),
  DEMO: z._default(z.enum(['yes', 'no']), 'no'),
  DEMO_ANCHOR: z._default(z.string(), ''),
  JOBS: z._default(z.enum(['yes', 'no']), 'yes'),
  PUBLIC_URL: z._default(z.string(), ''),
  SMTP_URL: z._default(z.string(), ''),
  MAIL_GATHER_S: z._default(z.coerce.number().check(z.int(), z.minimum(0), z.maximum(86_400)), 600),
  MAIL_FROM: z._default(z.string(), 'Jackdaw <jackdaw@localhost>'),
})

/** What the server is told from outside. */
export type Config = {
  databaseUrl: string
  port: number
  host: string
  sessionSecret: string
  storageDir: string
  /** Folder of the built web pages; empty when they are served by something else. */
  webDir: string
  company: string
  https: boolean
  /** Addresses of the proxies in front, whose word on the caller's address and on TLS is taken: networks in CIDR, or names that Express knows. */
  trustedProxies: string[]
  logLevel: 'debug' | 'info' | 'warn' | 'error' | 'silent'
  dbConnections: number
  demo: boolean
  /** Day that the demo's activity ends on, `YYYY-MM-DD`; empty for the day of the first start. */
  demoAnchor: string
  /** Whether this server carries out jobs itself; where it does not, `npm run worker` has to run somewhere. */
  runsJobs: boolean
  /** The address at which people reach Jackdaw, without a slash at its end: what links in mails begin with. */
  publicUrl: string
  /** By which server mail leaves, `smtp://…` or `smtps://…`; empty when no mail is sent. */
  smtpUrl: string
  /** How long what somebody is told waits for more, and for being seen, before it is mailed; seconds. */
  mailGatherS: number
  /** Who mails are from, as RFC 5322 writes it. */
  mailFrom: string
}

/** With TLS in front, proxies on this machine and in the private networks beside it are trusted, unless told otherwise. */
const BEHIND_TLS = 'loopback, linklocal, uniquelocal'
const proxiesIn = (list: string): string[] =>
  list
    .split(',')
    .map((each) => each.trim())
    .filter(Boolean)

const full = (path: string): string => (path === '' || isAbsolute(path) ? path : resolve(path))

function webAddress(name: string, text: string): string {
  const url = URL.canParse(text) ? new URL(text) : null
  if (!url || !/^https?:$/.test(url.protocol) || url.search || url.hash)
    throw new Error(`Configuration: ${name} must be an address like https://guides.example.org; it is "${text}"`)
  return url.href.replace(/\/+$/, '')
}
function smtpAddress(text: string): string {
  if (text !== '' && !(URL.canParse(text) && /^smtps?:$/.test(new URL(text).protocol)))
    throw new Error('Configuration: SMTP_URL must be an address like smtp://mail.example.org:587')
  return text
}

/** Reads the configuration from environment variables.
 * @throws Error that names the variables that are missing or wrong */
export function readConfig(env: Record<string, string | undefined>): Config {
  const parsed = Environment.safeParse(env)
  if (!parsed.success)
    throw new Error(`Configuration: ${parsed.error.issues.map((issue) => `${issue.path.join('.')} (${issue.message})`).join(', ')}`)
  const e = parsed.data
  return {
    databaseUrl: e.DATABASE_URL,
    port: e.PORT,
    host: e.HOST,
    sessionSecret: e.SESSION_SECRET,
    storageDir: full(e.STORAGE_DIR),
    webDir: full(e.WEB_DIR),
    company: e.COMPANY,
    https: e.HTTPS === 'yes',
    trustedProxies: proxiesIn(e.TRUSTED_PROXIES ?? (e.HTTPS === 'yes' ? BEHIND_TLS : '')),
    logLevel: e.LOG_LEVEL,
    dbConnections: e.DB_CONNECTIONS,
    demo: e.DEMO === 'yes',
    demoAnchor: e.DEMO_ANCHOR,
    runsJobs: e.JOBS === 'yes',
    publicUrl: webAddress('PUBLIC_URL', e.PUBLIC_URL || `http://localhost:${e.PORT}`),
    smtpUrl: smtpAddress(e.SMTP_URL),
    mailGatherS: e.MAIL_GATHER_S,
    mailFrom: e.MAIL_FROM,
  }
}
