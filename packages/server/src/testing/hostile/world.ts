import { guideItem } from '@jackdaw/core/items'
import { NOBODY, ticked } from '@jackdaw/core/audiences'
import { PLAIN_SOLO } from '@jackdaw/core/guides'
import type { AudienceId, GuideId, PictureId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { issueToken } from '../../people'
import { v7 as uuidV7 } from 'uuid'
import { adoptPicture, readPicture, storeContent, type PictureContent } from '../../files'
import sharp from 'sharp'
import { aCheckInOf, aPlanUnderWay, aTaskHandedIn, entryFor } from './madeForPeople'
import { anExport } from './exchangeThings'
import { foreignFingerprint } from './foreignFingerprint'
import { anAction, documentWith } from './madeThings'
import { anApplication } from './anApplication'
import { attemptFor, aQuizTaken, noQuiz, type QuizThings } from './quizThings'
import { aGuide, Client, smallCompany, startTestServer, START, type Company, type TestServer, type Who } from '../testServer'

/** Whoever calls: nobody, somebody of each level, a recorder of the author's or of somebody else's, or an application that is connected. */
export const CALLERS = [
  'nobody',
  'outsider',
  'staff',
  'manager',
  'otherAuthor',
  'author',
  'lead',
  'admin',
  'recorder',
  'otherRecorder',
  'application',
] as const
export type CallerName = (typeof CALLERS)[number]

/** Stands in everything that belongs to somebody else: it must never come back in an answer. */
export const CANARY = 'canary-of-somebody-else'

/** What is there for one input: ids of things that the caller may use. */
export type Things = QuizThings & {
  guide: GuideId
  steps: string[]
  section: string
  picture: PictureId
  blackout: { stepId: string; pictureId: string; annotationIds: string[] }
  folder: string
  attempt: { id: string; acts: number }
  remark: string
  entry: string
  job: string
  recording: string
  shot: string
  action: string
  recorder: string
  audience: string
  giving: string
  task: string
  taskPicture: string
  handIn: string
  plan: string
  enrolment: string
  planGiving: string
  checkIn: string
  code: string
  revision: number
}
/** What belongs to somebody else, by the kind of its id. */
export type Foreign = Record<string, string>

/** A running server with a small company, in which each input finds fresh things to work on. */
export class HostileWorld {
  readonly clients = new Map<CallerName, Client>()
  readonly recorders = new Map<CallerName, string>()
  foreign: Foreign = {}
  /** What the last requests wrote on, if nobody has looked at the lists since. */
  written: Things | null = null
  private standing: Things | undefined
  private audience: string | undefined
  private stored: PictureContent | undefined
  private constructor(
    readonly server: TestServer,
    readonly company: Company,
    readonly png: Buffer,
  ) {}

  static async start(): Promise<HostileWorld> {
    const server = await startTestServer()
    const company = await smallCompany(server)
    const png = await sharp({ create: { width: 64, height: 48, channels: 3, background: '#245834' } })
      .png()
      .toBuffer()
    const world = new HostileWorld(server, company, png)
    world.clients.set('nobody', new Client(server.address))
    for (const who of CALLERS.slice(1, 8) as Who[]) world.clients.set(who, await company.as(who))
    for (const [name, who] of [
      ['recorder', 'author'],
      ['otherRecorder', 'otherAuthor'],
    ] as const) {
      world.recorders.set(name, await world.pair(who))
      world.clients.set(name, new Client(server.address))
    }
    world.recorders.set('application', (await anApplication(world)).token)
    world.clients.set('application', new Client(server.address))
    world.foreign = await world.somebodyElses()
    return world
  }

  /** The id of the person that calls; a recorder speaks for its own. */
  personOf(caller: CallerName): string {
    const who = { recorder: 'author', otherRecorder: 'otherAuthor', application: 'admin', nobody: 'staff' } as const
    return this.company.people[caller in who ? who[caller as keyof typeof who] : (caller as Who)]
  }
  /** A client that nobody else uses, for what ends a session. */
  async freshClient(caller: CallerName): Promise<Client> {
    return caller === 'nobody' || this.recorders.has(caller) ? new Client(this.server.address) : this.company.as(caller as Who)
  }
  headers(caller: CallerName): Record<string, string> {
    const token = this.recorders.get(caller)
    return token ? { authorization: `Bearer ${token}` } : {}
  }

  /** How guessing is slowed has tests of its own. */
  forgetTries = (): Promise<unknown> => this.server.parts.database.rows('delete from sign_in_failure')

  /** The token of a pairing of its own. */
  async freshHeaders(caller: CallerName): Promise<Record<string, string>> {
    if (!this.recorders.has(caller) || caller === 'application') return this.headers(caller)
    return { authorization: `Bearer ${await this.pair(caller === 'recorder' ? 'author' : 'otherAuthor')}` }
  }

  private async code(who: Who): Promise<string> {
    const { code } = await (this.clients.get(who) ?? (await this.company.as(who))).json<{ code: string }>('post', '/api/recorders/code')
    return code
  }
  async pair(who: Who): Promise<string> {
    const code = await this.code(who)
    const paired = await new Client(this.server.address).json<{ token: string }>('post', '/api/recorder/pairing', { code, name: 'Here' })
    return paired.token
  }

  /** Makes a published guide of an author's, with everything in it. */
  async aFullGuide(owner: Who, title: string): Promise<{ id: GuideId; steps: string[]; section: string; picture: PictureId }> {
    const picture = nanoid<PictureId>()
    const { services } = this.server
    const document = documentWith(picture, title)
    const { id } = await aGuide(this.server, this.company, owner, { document, published: false })
    await adoptPicture(this.server.parts.database, await this.picture(), {
      id: picture,
      item: guideItem(id),
      by: this.company.people[owner],
      now: START,
    })
    await services.publish(
      id,
      {
        revision: 0,
        changeNote: 'First',
        mustReread: false,
        audience: owner === 'author' ? ticked([this.company.team], []) : NOBODY,
        openToAll: false,
        due: { kind: 'none' },
      },
      this.company.people.lead,
      START,
    )
    return { id, steps: document.items.slice(1).map((item) => item.id), section: document.items[0]!.id, picture }
  }

  private async record(recorder: CallerName): Promise<{ recording: string; shot: string; action: string }> {
    const client = this.clients.get(recorder)!
    const [recording, shot, action] = [nanoid(), nanoid(), nanoid()]
    const headers = this.headers(recorder)
    const send = async (method: string, path: string, body: unknown, more: Record<string, string> = {}) => {
      const response = await client.send(method, `/api/recorder/recordings${path}`, body, { ...headers, ...more })
      if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`)
    }
    await send('post', '', { id: recording, language: 'en', target: null })
    await send('put', `/${recording}/pictures/${shot}`, new Uint8Array(this.png), { 'content-type': 'image/png' })
    await send('post', `/${recording}/actions`, { actions: [anAction(action, shot)] })
    return { recording, shot, action }
  }

  private async attemptOf(caller: CallerName, guide: GuideId): Promise<{ id: string; acts: number }> {
    const response = await this.clients.get(caller)!.send('post', `/api/guides/${guide}/attempts`, { language: 'en' })
    if (!response.ok) return { id: nanoid(), acts: 0 }
    const { attemptId, acts } = (await response.json()) as { attemptId: string; acts: number }
    return { id: attemptId, acts }
  }

  /** What a reader has said of the first step of a guide. */
  private async remarkOn(guide: { id: GuideId; steps: readonly string[] }): Promise<string> {
    const id = nanoid()
    await this.server.parts.database.rows(
      "insert into remark (id, item_kind, item_id, edition, part_id, person_id, way, words, device, said_at) values ($1, 'guide', $2, 1, $3, $4, 'read', 'Not so', '', $5)",
      [id, guide.id, guide.steps[0], this.company.people.staff, new Date(START)],
    )
    return id
  }

  /** A saved audience that nothing uses. */
  private async anAudience(): Promise<string> {
    const id = nanoid<AudienceId>()
    await this.server.services.saveAudience(
      id,
      { name: id, about: '', rule: ticked([this.company.team], []) },
      this.company.people.lead,
      START,
    )
    return id
  }
  /** That a guide is given to a team. */
  private async aGiving(guide: GuideId): Promise<string> {
    const saving = { audience: ticked([this.company.team], []), use: 'to-look-up', due: { kind: 'none' }, repeatMonths: null } as const
    return (await this.server.services.give(guideItem(guide), saving, this.company.people.lead, START)).id
  }
  /** The files of a picture, stored once. */
  private async picture(): Promise<PictureContent> {
    const { content, decoder } = this.server.parts
    return (this.stored ??= await storeContent(content, await readPicture(decoder, this.png)))
  }
  /** A job that has failed. */
  private async aFailedJob(): Promise<string> {
    const id = uuidV7()
    await this.server.parts.database.rows(
      `insert into jobs.job (id, name, data, state) values ($1, 'short', '{"name": "remove-noted-files", "data": {}}', 'failed')`,
      [id],
    )
    return id
  }
  /** What a link in a mail lets whoever has it do. */
  aToken = (): Promise<string> =>
    issueToken(this.server.parts.database, {
      purpose: 'stop-mails',
      personId: this.company.people.staff,
      detail: 'to-do',
      expiresAt: START + 86_400_000,
    })

  /** Everything that an input for an endpoint may speak of: a guide and a folder made anew where it may write on them, and the same ones again
   * where it only reads or is not about guides. */
  async things(caller: CallerName, { method, path }: { method: string; path: string }): Promise<Things> {
    const { database } = this.server.parts
    const standing = method === 'get' || !/^\/api\/(guides|items|folders|imports|events|suggestions|remarks|recorder\/)/.test(path)
    const made = standing ? (this.standing ??= await this.aGuideToWorkOn()) : await this.aGuideToWorkOn()
    const nothing = { recording: nanoid(), shot: nanoid(), action: nanoid() }
    const recorded = path.startsWith('/api/recorder/')
      ? await this.record(caller === 'otherRecorder' ? 'otherRecorder' : 'recorder')
      : nothing
    const taker = this.recorders.has(caller) || caller === 'nobody' ? 'author' : caller
    const recorder = nanoid()
    if (path.startsWith('/api/recorders/'))
      await database.rows(
        "insert into recorder (id, person_id, name, token_hash, paired_at, seen_at) values ($1, $2, 'Here', $1, $3, $3)",
        [recorder, this.personOf(caller), new Date(START)],
      )
    const ownOnly = /\/(take-back|photo)$/.test(path)
    const done = /hand-in|\/photo/.test(path) && !path.endsWith('/hand-ins') && !path.endsWith('/photos')
    const task = /task|hand-in/i.test(path)
      ? await aTaskHandedIn(this.server, this.company, {
          owner: 'author',
          by: done ? (ownOnly ? this.personOf(caller) : this.company.people.staff) : null,
          stored: await this.picture(),
        })
      : {}
    const quizOf = attemptFor(path, this.personOf(caller), this.company)
    const isQuiz = /quiz|bank|clip/.test(path)
    return {
      ...made,
      ...task,
      ...(isQuiz ? await aQuizTaken(this.server, this.company, { ...quizOf, stored: await this.picture() }) : {}),
      ...(path.includes('/plans') ? await aPlanUnderWay(this.server, this.company, made.guide) : {}),
      checkIn: path.includes('/check-ins/:id') ? await aCheckInOf(this.server, this.company, this.personOf(caller)) : made.checkIn,
      attempt: path.includes('/attempts') && !isQuiz ? await this.attemptOf(taker, made.guide) : made.attempt,
      remark: path.includes('/remarks/') ? await this.remarkOn({ id: made.guide, steps: made.steps }) : made.remark,
      entry: path.includes(':entryId') ? await entryFor(this.server, this.personOf(caller)) : made.entry,
      job: path.includes(':jobId') ? await this.aFailedJob() : made.job,
      audience: path.includes(':audienceId') && method !== 'get' ? await this.anAudience() : made.audience,
      giving: path.includes(':givingId') ? await this.aGiving(made.guide) : made.giving,
      ...recorded,
      recorder,
    }
  }

  private async aGuideToWorkOn(): Promise<Things> {
    const made = await this.aFullGuide('author', 'Save the form')
    const folder = nanoid()
    await this.server.services.addFolder({ id: folder as never, name: 'Office', parentId: null, now: START })
    const annotation = { id: 'blackout-one', kind: 'blackout', area: { to: 'picture', rect: { x: 0, y: 0, width: 0.5, height: 0.5 } } }
    const saved = await this.clients.get('author')!.json<{ revision: number }>('post', `/api/guides/${made.id}/draft/changes`, {
      baseRevision: 0,
      changeSetId: nanoid(),
      changes: [{ type: 'put-annotation', stepId: made.steps[1], pictureId: made.picture, annotation, after: null }],
    })
    const facts = { title: 'Saved', solo: { ...PLAIN_SOLO, passMark: 90 }, summary: 'Twice', confirmSteps: true }
    await this.clients.get('author')!.json('post', `/api/guides/${made.id}/draft/changes`, {
      baseRevision: saved.revision,
      changeSetId: nanoid(),
      changes: [
        { type: 'set-facts', facts },
        { type: 'silence', finding: 'acronym:x', silenced: true },
      ],
    })
    return {
      guide: made.id,
      steps: made.steps,
      section: made.section,
      picture: made.picture,
      blackout: { stepId: made.steps[1]!, pictureId: made.picture, annotationIds: ['blackout-one'] },
      folder,
      attempt: { id: nanoid(), acts: 0 },
      remark: nanoid(),
      entry: nanoid(),
      job: uuidV7(),
      recording: nanoid(),
      shot: nanoid(),
      action: nanoid(),
      recorder: nanoid(),
      audience: (this.audience ??= await this.anAudience()),
      giving: nanoid(),
      task: nanoid(),
      taskPicture: nanoid(),
      handIn: nanoid(),
      plan: nanoid(),
      enrolment: nanoid(),
      planGiving: nanoid(),
      checkIn: nanoid(),
      ...noQuiz(),
      code: '',
      revision: saved.revision + 1,
    }
  }
  /** A new code for pairing; the one before is void. */
  newCode = (): Promise<string> => this.code('author')

  /** Things of another author, which nobody but that author, leads and admins may know of. */
  private async somebodyElses(): Promise<Foreign> {
    const guide = await this.aFullGuide('otherAuthor', CANARY)
    const attempt = await this.attemptOf('otherAuthor', guide.id)
    const theirs = { owner: 'otherAuthor', by: this.company.people.otherAuthor, title: CANARY, stored: await this.picture() } as const
    const task = await aTaskHandedIn(this.server, this.company, theirs)
    const quiz = await aQuizTaken(this.server, this.company, { ...theirs, ended: false })
    const { recording, shot, action } = await this.record('otherRecorder')
    const recorder = await this.server.parts.database.one<{ id: string }>('select id from recorder where person_id = $1', [
      this.company.people.otherAuthor,
    ])
    return {
      guide: guide.id,
      item: guide.id,
      giving: await this.aGiving(guide.id),
      task: task.task,
      'hand-in': task.handIn,
      'check-in': await aCheckInOf(this.server, this.company, theirs.by, CANARY),
      quiz: quiz.quiz,
      ...{ question: quiz.question, clip: quiz.clip, captions: quiz.captions },
      'quiz-attempt': quiz.quizAttempt,
      step: guide.steps[0]!,
      section: guide.section,
      picture: guide.picture,
      attempt: attempt.id,
      remark: await this.remarkOn(guide),
      entry: await entryFor(this.server, this.company.people.otherAuthor),
      recording,
      shot,
      action,
      recorder: recorder!.id,
      export: await anExport(this.server, theirs.by, CANARY),
      folder: nanoid(),
      person: nanoid(),
      group: nanoid(),
      audience: nanoid(),
    }
  }

  private tables: string[] = []
  /** A fingerprint of everything that is stored but for what each request notes about itself. */
  async fingerprint(of: 'all' | 'foreign' = 'all'): Promise<string> {
    const { database } = this.server.parts
    if (this.tables.length === 0) {
      const skipped = [
        'session',
        'sign_in_failure',
        'draft_presence',
        'recorder',
        'application',
        'known_device',
        'migration',
        'pairing_code',
        'edition_given',
      ]
      const rows = await database.rows<{ schema: string; name: string }>(
        "select schemaname as schema, tablename as name from pg_tables where schemaname in ('public', 'jobs') order by 1, 2",
      )
      this.tables = rows.filter(({ name }) => !skipped.includes(name)).map(({ schema, name }) => `"${schema}"."${name}"`)
    }
    if (of === 'foreign') return foreignFingerprint(database, this.foreign)
    // Who wrote each row last, and how many there are: cheaper than what stands in them, and no write escapes it.
    const parts = this.tables.map((table) => `(select concat(count(*), ':', sum(xmin::text::bigint), ';') from ${table})`)
    const rows = await database.rows(`select ${parts.join(' || ')} as hash`)
    return (rows[0] as { hash: string }).hash
  }
  close = (): Promise<void> => this.server.close()
}
