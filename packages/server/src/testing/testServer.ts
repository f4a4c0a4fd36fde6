import { randomBytes } from 'node:crypto'
import { mkdtemp, rm } from 'node:fs/promises'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import type { Level } from '@jackdaw/core/people'
import { NOBODY, ticked } from '@jackdaw/core/audiences'
import { quizItem, taskItem } from '@jackdaw/core/items'
import { BLANK_QUIZ, type QuizDocument } from '@jackdaw/core/quizzes'
import type { PlanDocument, Stage } from '@jackdaw/core/plans'
import type { GroupId, GuideId, PersonId, PlanId, QuizId, StageId, TaskId } from '@jackdaw/core/shared'
import type { TaskDocument } from '@jackdaw/core/tasks'
import { emptyDocument, withBlockIds, richTextOf, type GuideDocument } from '@jackdaw/core/guides'
import { nanoid } from 'nanoid'
import { inject } from 'vitest'
import { buildServer, realParts, type BuiltServer } from '../buildServer'
import type { Config } from '../config'
import { openDatabase } from '../db'
import { Decoder } from '../decoding'
import { Writer } from '../writing'
import { demoServices } from '../demoServices'
import type { Mail } from '../mail'
import type { Parts } from '../http'

export const PASSWORD = 'a long enough password'
/** The test's own time: a Tuesday in spring, before the clocks change. */
export const START = Date.parse('2026-03-10T09:00:00Z')

export type TestServer = BuiltServer & {
  address: string
  /** What was mailed so far. */
  mails: Mail[]
  clock: { now: number }
  services: ReturnType<typeof demoServices>
  close: () => Promise<void>
  second: () => Promise<TestServer>
}

async function databaseFrom(template: string): Promise<string> {
  const cluster = inject('cluster')
  const name = `test_${randomBytes(6).toString('hex')}`
  const admin = openDatabase(`${cluster}/postgres`, 1)
  await admin.rows(`create database ${name} template ${template}`)
  await admin.close()
  return `${cluster}/${name}`
}
/** Makes an empty migrated database for one test file.
 * @returns its address */
export const newDatabase = (): Promise<string> => databaseFrom('template_jackdaw')
/** Makes a database without any tables.
 * @returns its address */
export const emptyDatabase = (): Promise<string> => databaseFrom('template0')

/** A server with a database of its own and a clock that the test turns. */
export async function startTestServer(
  over: { databaseUrl?: string; storageDir?: string; clock?: { now: number }; https?: boolean } = {},
): Promise<TestServer> {
  const databaseUrl = over.databaseUrl ?? (await newDatabase())
  const storageDir = over.storageDir ?? (await mkdtemp(join(tmpdir(), 'jackdaw-files-')))
  const clock = over.clock ?? { now: START }
  const config: Config = {
    databaseUrl,
    port: 0,
    host: '127.0.0.1',
    sessionSecret: 'x'.repeat(40),
    storageDir,
    webDir: '',
    company: 'Larkmoor Glasshouses',
    https: over.https ?? false,
    trustedProxies: over.https ? ['loopback'] : [],
    logLevel: 'silent',
    dbConnections: 8,
    demo: false,
    demoAnchor: '',
    runsJobs: false,
    publicUrl: 'https://guides.example.org',
    smtpUrl: '',
    mailGatherS: 600,
    mailFrom: 'Jackdaw <jackdaw@example.org>',
  }
  const mails: Mail[] = []
  const parts: Parts = realParts(config, {
    clock: () => clock.now,
    decoder: new Decoder(pathToFileURL(join(process.cwd(), 'dist/server/decoding.mjs'))),
    writer: new Writer(pathToFileURL(join(process.cwd(), 'dist/server/writing.mjs'))),
    recorderDir: join(process.cwd(), 'dist/recorder'),
    mail: async (mail) => void mails.push(mail),
  })
  const built = buildServer(parts)
  await new Promise<void>((resolve) => built.server.listen(0, '127.0.0.1', resolve))
  const address = `http://127.0.0.1:${(built.server.address() as AddressInfo).port}`
  const close = async () => {
    built.server.closeAllConnections()
    await built.stop()
    if (!over.storageDir) await rm(storageDir, { recursive: true, force: true })
  }
  return {
    ...built,
    address,
    mails,
    clock,
    services: demoServices(parts),
    close,
    second: () => startTestServer({ databaseUrl, storageDir, clock }),
  }
}

/** A browser's side of a session: keeps the cookie and the token. */
export class Client {
  cookie = ''
  csrf = ''
  constructor(readonly address: string) {}

  async send(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<Response> {
    const isBytes = body instanceof Uint8Array
    return fetch(this.address + path, {
      method: method.toUpperCase(),
      redirect: 'manual',
      headers: {
        ...(this.cookie ? { cookie: this.cookie } : {}),
        ...(this.csrf ? { 'x-csrf-token': this.csrf } : {}),
        ...(body === undefined || isBytes ? {} : { 'content-type': 'application/json' }),
        ...headers,
      },
      ...(body === undefined
        ? {}
        : { body: isBytes ? (body as Uint8Array<ArrayBuffer>) : typeof body === 'string' ? body : JSON.stringify(body) }),
    })
  }
  async json<T = any>(method: string, path: string, body?: unknown, expected = 200): Promise<T> {
    const response = await this.send(method, path, body)
    if (response.status !== expected) throw new Error(`${method} ${path}: ${response.status} ${await response.text()}`)
    return (response.status === 204 ? undefined : await response.json()) as T
  }
  async signIn(mail: string, password = PASSWORD): Promise<this> {
    const response = await this.send('post', '/api/session', { account: mail, password })
    if (response.status !== 200) throw new Error(`sign-in: ${response.status} ${await response.text()}`)
    this.cookie = response.headers
      .getSetCookie()
      .map((each) => each.split(';')[0]!)
      .join('; ')
    this.csrf = ((await response.json()) as { csrf: string }).csrf
    return this
  }
}

export type Who = 'admin' | 'lead' | 'author' | 'otherAuthor' | 'staff' | 'outsider' | 'manager'
export type Company = {
  people: Record<Who, PersonId>
  site: GroupId
  department: GroupId
  team: GroupId
  role: GroupId
  as: (who: Who) => Promise<Client>
}

const LEVELS: Record<Who, Level> = {
  admin: 'admin',
  lead: 'lead',
  author: 'author',
  otherAuthor: 'author',
  manager: 'staff',
  staff: 'staff',
  outsider: 'staff',
}

/** A small company: one person of each level; `staff` is in the team and reports to `manager`, `outsider` is in nothing. */
export async function smallCompany(server: TestServer): Promise<Company> {
  const [site, department, team, role] = [nanoid<GroupId>(), nanoid<GroupId>(), nanoid<GroupId>(), nanoid<GroupId>()]
  await server.services.addGroups(
    [
      { id: site, kind: 'site', name: 'Brookside', zone: 'Europe/London' },
      { id: department, kind: 'department', name: 'Packhouse' },
      { id: team, kind: 'team', name: 'Crate line A' },
      { id: role, kind: 'role', name: 'packhouse operator' },
    ],
    server.clock.now,
  )
  const people = Object.fromEntries(Object.keys(LEVELS).map((who) => [who, nanoid()])) as Record<Who, PersonId>
  const rows = (Object.keys(LEVELS) as Who[]).map((who) => ({
    id: people[who],
    name: `Name of ${who}`,
    mail: `${who}@example.org`,
    level: LEVELS[who],
    siteId: site,
    groups: [site, department, ...(who === 'staff' ? [team] : [])],
    managerId: who === 'staff' ? people.manager : null,
  }))
  await server.services.addPeople(rows, PASSWORD, server.clock.now)
  return { people, site, department, team, role, as: (who) => new Client(server.address).signIn(`${who}@example.org`) }
}

/** A document with one step for each text. */
export const documentOf = (title: string, ...texts: string[]): GuideDocument => ({
  ...emptyDocument(title, 'how-to'),
  items: texts.map((text) => ({ kind: 'step', id: nanoid<never>(), body: withBlockIds(richTextOf(text), nanoid), pictures: [] })),
})

/** A task of somebody's with some words as evidence, which the manager confirms; published and given to the company's team unless said otherwise. */
export async function aTask(
  server: TestServer,
  company: Company,
  owner: Who,
  { document = {}, published = true, given = published }: { document?: Partial<TaskDocument>; published?: boolean; given?: boolean } = {},
): Promise<TaskId> {
  const id = nanoid<TaskId>()
  const { services, clock } = server
  const plain = { title: 'Walk the fire route', words: 'With somebody who knows it.', picture: null, minutes: 10 }
  await services.addTask({
    id,
    document: { ...plain, confirmer: { by: 'manager' }, evidence: 'none', ...document },
    ownerId: company.people[owner],
    now: clock.now,
  })
  if (published) await services.publishTask(id, 1, company.people.lead, clock.now)
  if (given) {
    const saving = { audience: ticked([company.team], []), use: 'to-do', due: { kind: 'days', days: 14 }, repeatMonths: null } as const
    await services.give(taskItem(id), saving, company.people.lead, clock.now)
  }
  return id
}

/** A quiz of somebody's; published and given to the company's team unless said otherwise. */
export async function aQuiz(
  server: TestServer,
  company: Company,
  owner: Who,
  document: Partial<QuizDocument> & Pick<QuizDocument, 'parts'>,
  { published = true, given = published }: { published?: boolean; given?: boolean } = {},
): Promise<QuizId> {
  const id = nanoid<QuizId>()
  const { services, clock } = server
  await services.addQuiz({ id, document: { ...BLANK_QUIZ, title: 'Water', ...document }, ownerId: company.people[owner], now: clock.now })
  if (published) await services.publishQuiz(id, 1, company.people.lead, clock.now)
  if (given) {
    const saving = { audience: ticked([company.team], []), use: 'to-do', due: { kind: 'days', days: 14 }, repeatMonths: null } as const
    await services.give(quizItem(id), saving, company.people.lead, clock.now)
  }
  return id
}

/** A plan of the lead's with a stage for each list of tasks, on the days that are said; published. */
export async function aPlan(
  server: TestServer,
  company: Company,
  stages: readonly (Partial<Stage> & { tasks: readonly (readonly [id: TaskId, day: number])[] })[],
): Promise<PlanId> {
  const id = nanoid<PlanId>()
  const document: PlanDocument = {
    ...{ title: 'First weeks', about: '', working: true, dayLimitMin: 60 },
    stages: stages.map(({ tasks, ...more }, n) => ({
      ...{ id: nanoid<StageId>(), name: `Stage ${n + 1}`, release: 'both', free: { days: 1, working: true }, ...more },
      items: tasks.map(([task, day]) => ({ item: taskItem(task), day, optional: false })),
    })),
  }
  await server.services.addPlan({ id, document, ownerId: company.people.lead, now: server.clock.now })
  return id
}

/** A guide of somebody's, published to the company's team where wished. */
export async function aGuide(
  server: TestServer,
  company: Company,
  owner: Who,
  options: { texts?: string[]; published?: boolean; openToAll?: boolean; document?: GuideDocument } = {},
): Promise<{ id: GuideId; steps: string[] }> {
  const id = nanoid<GuideId>()
  const document = options.document ?? documentOf('Rinse the trays', ...(options.texts ?? ['Fill the basin', 'Rinse', 'Stack']))
  await server.services.addGuide({ id, document, ownerId: company.people[owner], folderId: null, now: server.clock.now })
  if (options.published !== false)
    await server.services.publish(
      id,
      {
        revision: 0,
        changeNote: 'First',
        mustReread: false,
        audience: options.openToAll ? NOBODY : ticked([company.team], []),
        openToAll: options.openToAll ?? false,
        due: { kind: 'days', days: 14 },
        tell: false,
      },
      company.people.lead,
      server.clock.now,
    )
  return { id, steps: document.items.map((item) => item.id) }
}
