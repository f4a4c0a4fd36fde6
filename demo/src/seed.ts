import {
  addDays,
  endOfLocalDay,
  localDateAt,
  type FolderId,
  type GuideId,
  type LocalDate,
  known,
  nth,
  type PersonId,
  seededRandom,
  type StepId,
} from '@jackdaw/core/shared'
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { belongs, EVERYBODY, ticked, type AudienceRule } from '@jackdaw/core/audiences'
import type { DueRule, GivenFor } from '@jackdaw/core/assignments'
import { guideItem } from '@jackdaw/core/items'
import { settlePictures } from '@jackdaw/core/exchange'
import { richTextOf, stepsOf, withBlockIds } from '@jackdaw/core/guides'
import { readingEvents } from './activity'
import { useRecorded } from './attempts'
import { STAFF_ACCOUNT } from './company'
import { setFaces } from './faces'
import { organise } from './organise'
import { addLateJoiners, loadPeople, type Ids, type Member } from './people'
import { CUSTOMER_WORDS } from './customers'
import { addGuests } from './guests'
import { GUIDES, type DemoGuide } from './guides'
import { cautionSteps } from './refine'
import { addStepAgain, drafted, loadGuide, type LoadedGuide } from './loadGuide'
import type { Batch, DemoServices } from './services'
import { addPlans } from './plans'
import { addQuizAmongSteps } from './quizAmongSteps'
import { addQuizzes } from './quizzes'
import { addShowIt } from './showIt'
import { addTasks } from './tasks'
import { addYear } from './year'

const DAY = 86_400_000
/** The made-up day ends at this hour (UTC), so that the demo is the same at whatever hour it is loaded. */
const ANCHOR_HOUR = 9

/** Teams that lag behind the others: how diligent their people are, 0 to 1. */
const DILIGENCE: Record<string, number> = { 'Quay loading': 0.18, Drivers: 0.45, 'Crate line B': 0.62, 'Order desk': 0.95 }

/** Where the demo's staff account stands, so that whoever signs in with it finds something begun and something to be read again:
 * guide → the number of steps read before stopping. */
const INES: Record<string, number> = { 'pack-herb-crates': 5, 'hand-hygiene again': 0, 'count-stock': 0 }

const audienceOf = (guide: DemoGuide, ids: Ids): AudienceRule =>
  guide.everybody
    ? EVERYBODY
    : ticked([...(guide.teams ?? []).map((team) => ids.teams.get(team)!), ...(guide.roles ?? []).map((role) => ids.roles.get(role)!)], [])

/** What all guides of the demo are loaded with. */
type Company = {
  services: DemoServices
  folder: string
  ids: Ids
  members: readonly Member[]
  lead: PersonId
  /** When the made-up 60 days end, epoch milliseconds. */
  until: number
  /** How diligent each person is, 0 to 1. */
  diligence: ReadonlyMap<string, number>
  random: () => number
  /** A chance of its own: what people practise changes nothing about what they read. */
  exercising: Parameters<typeof useRecorded>[5]
}

/** What a person reads of an edition between two moments. */
function readingOf(company: Company, guide: DemoGuide, { id, document }: LoadedGuide, member: Member) {
  return (edition: number, list: readonly StepId[], from: number, until: number): Batch[] => {
    const only = member.name === STAFF_ACCOUNT ? INES[edition === 1 ? guide.file : `${guide.file} again`] : undefined
    if (only === 0) return []
    const made = readingEvents(
      {
        ...{ guideId: id, edition, from, until },
        steps: only === undefined ? list : list.slice(0, only),
        confirmSteps: document.confirmSteps,
        cautions: cautionSteps(document),
        diligence: company.diligence.get(member.id)!,
        starts: guide.reading.starts,
        stopAt: only === undefined ? guide.reading.stopAt : undefined,
      },
      { random: company.random, newEventId: company.services.newEventId },
    )
    // Chance goes on as if whoever came late had read like the others.
    if (member.joinsLate !== null) return []
    return made.map((batch): Batch => ({
      ...batch,
      personId: member.id,
      events: only === undefined ? batch.events : batch.events.filter((event) => event.verb !== 'finished'),
    }))
  }
}

/** A guide, published, read, practised, and published again where it was. */
async function seedGuide(company: Company, guide: DemoGuide): Promise<{ id: GuideId; steps: readonly StepId[] }> {
  const { services, folder, ids, members, lead, until, diligence, exercising } = company
  const publishedAt = until - guide.publishedDaysAgo * DAY
  const loaded = await loadGuide(services, folder, guide, ids, publishedAt - 2 * DAY)
  const { id, document } = loaded
  const audience = audienceOf(guide, ids)
  const request = {
    audience,
    openToAll: guide.openToAll ?? false,
    due:
      guide.dueDays === null
        ? { kind: 'none' as const }
        : { kind: 'days' as const, days: guide.dueDays, ...(guide.workingDays ? { working: true as const } : {}) },
  }
  await services.publish(id, { ...request, revision: 0, changeNote: 'First edition', mustReread: false }, lead, publishedAt)
  const steps = stepsOf(document).map((step) => step.id)
  const readers = members.filter((member) =>
    belongs(audience, { facts: { ...member.state }, managers: [], today: localDateAt(until, 'UTC') }),
  )
  const { again } = guide
  const changedAt = again ? until - again.daysAgo * DAY : until
  const batches = readers.flatMap((member) => readingOf(company, guide, loaded, member)(1, steps, publishedAt, changedAt))
  await services.takeEvents(batches)
  if (guide.recordedSummary) {
    // Whoever has read it goes on to practise it.
    const began = new Set(batches.map((batch) => batch.personId))
    const people = readers
      .filter((member) => began.has(member.id))
      .map((member) => ({ id: member.id, diligence: diligence.get(member.id)! }))
    await useRecorded(services, { guideId: id, file: guide.file, document }, people, publishedAt + DAY, until, exercising)
  }
  if (!again) return { id, steps }
  const added = await addStepAgain(services, loaded, again.addStep, steps.at(-1) ?? null, changedAt - 3_600_000)
  await services.publish(id, { ...request, revision: 1, changeNote: again.note, mustReread: again.mustReread }, lead, changedAt)
  await services.takeEvents(
    readers.flatMap((member) =>
      company.random() < 0.7 ? readingOf(company, guide, loaded, member)(2, [...steps, added], changedAt, until) : [],
    ),
  )
  return { id, steps }
}

/** Loads the made-up company: people, folders, guides with editions, and 60 days of reading that ends on the anchor day.
 * @param folder where the demo's texts and pictures lie
 * @param anchor last day of the activity
 * @param scale  how many times 64 people */
export async function seedDemo(services: DemoServices, folder: string, anchor: LocalDate, scale = 1): Promise<void> {
  const until = endOfLocalDay(anchor, 'UTC') - DAY + ANCHOR_HOUR * 3_600_000
  const random = seededRandom(1974)
  const { ids, members } = await loadPeople(services, scale, anchor, until)
  const diligence = new Map(
    members.map((member) => [
      member.id as string,
      Math.min(1, Math.max(0.05, (DILIGENCE[member.teams[0] ?? ''] ?? 0.85) + (random() - 0.5) * 0.2)),
    ]),
  )
  const lead = ids.people.get('Marta Sorrel')! as PersonId
  const exercising = { random: seededRandom(2026), newEventId: services.newEventId, newId: services.newId }
  const company: Company = { services, folder, ids, members, lead, until, diligence, random, exercising }
  const loaded = new Map<string, Awaited<ReturnType<typeof seedGuide>>>()
  for (const guide of GUIDES) loaded.set(guide.file, await seedGuide(company, guide))
  const guideIds = new Map([...loaded].map(([file, { id }]) => [file, id]))
  await addQuizzes(company, loaded)
  await addQuizAmongSteps(company, known(loaded, 'pump-filter'))
  await addShowIt(company)
  await services.inboxesRead(until - 12 * DAY)
  await addLateJoiners(services, members, until)
  await organise(services, ids, guideIds, lead, until)
  await giveMore(company, guideIds)
  await addPlans(company, guideIds, await addTasks(company))
  await handleSome(company, known(guideIds, 'count-stock'), anchor)
  await setFaces(services, folder, members)
  await addDraftInWork(services, ids, until)
  await addDraftWithPrivateData(services, folder, ids, until)
  await addYear(company, guideIds)
  await services.setLook({ name: 'Larkmoor Glasshouses' })
  await addGuests(services, known(loaded, 'hand-hygiene'), lead, until)
  const folderId = known(ids.folders, 'Order office') as FolderId
  await services.addBooklet({ folderId, title: 'The order office, from the first day on', by: lead })
}

/** What is given besides: to look up where somebody helps out, and again every year. */
async function giveMore({ services, ids, lead, until }: Company, guideIds: ReadonlyMap<string, GuideId>): Promise<void> {
  const teams = (...names: string[]) =>
    ticked(
      names.map((name) => known(ids.teams, name)),
      [],
    )
  const give = (
    file: string,
    audience: AudienceRule,
    more: { use: GivenFor; due: DueRule; repeatMonths: number | null },
    daysAgo: number,
  ) => services.give(guideItem(known(guideIds, file)), { audience, ...more }, lead, until - daysAgo * DAY)
  const lookUp = { use: 'to-look-up', due: { kind: 'none' }, repeatMonths: null } as const
  await give('tray-seeder', teams('Fitters'), lookUp, 12)
  await give('pump-filter', teams('Houses 1 to 3'), lookUp, 11)
  await give('pack-herb-crates', teams('Drivers'), lookUp, 6)
  const favour = (name: string, ...files: string[]) =>
    services.favour(
      known(ids.people, name) as PersonId,
      files.map((file) => guideItem(known(guideIds, file))),
      until - 3 * DAY,
    )
  await favour(STAFF_ACCOUNT, 'pack-herb-crates', 'near-miss')
  await favour('Marta Sorrel', 'opening-checks', 'enter-a-standing-order')
  const yearly = { use: 'to-do', due: { kind: 'days', days: 30 }, repeatMonths: 12 } as const
  await give('lone-working', ticked([known(ids.roles, 'maintenance fitter'), known(ids.roles, 'forklift driver')], []), yearly, 16)
}

/** What the lead has done for single people: another day for two, and one who need not do it. */
async function handleSome({ services, ids, lead, until }: Company, guideId: GuideId, anchor: LocalDate): Promise<void> {
  const people = (...names: string[]) => names.map((name) => known(ids.people, name) as PersonId)
  const now = until - 2 * DAY
  await services.handle(guideId, people('Nerea Thorne', 'Wanda Rathbone'), { what: 'move', on: addDays(anchor, 21) }, lead, now)
  const why = 'Works at the potting machine until spring and does not touch the stock.'
  await services.handle(guideId, people('Hanna Eberle'), { what: 'waive', why }, lead, now)
}

/** A draft whose picture shows private data that nobody has blacked out yet. */
async function addDraftWithPrivateData(services: DemoServices, folder: string, ids: Ids, until: number): Promise<void> {
  const draft = drafted(
    '# Look up a customer in Order Book\n\nFor questions on the telephone.\n\n1. Open **Customers**.\n\n   ![The list of customers with mail addresses and telephone numbers](pictures/order-book-customers.png)\n\n2. Find the number on the order, or a part of the name.\n',
    'customers',
    services.newId,
  )
  const { document } = settlePictures(draft, new Set(draft.pictures.map((picture) => picture.id as string)))
  const id = services.newId() as GuideId
  const ownerId = ids.people.get('Ada Finch')! as PersonId
  const now = until - DAY / 2
  const last = stepsOf(document).at(-1)
  const flagged = document.items.map((item) =>
    item === last ? { ...item, notReady: true as const, notReadyWhy: 'Ask the order desk which numbers may be given out.' } : item,
  )
  const folderId = ids.folders.get('Order office')! as FolderId
  await services.addGuide({ id, document: { ...document, items: flagged }, ownerId, folderId, now })
  for (const { id: pictureId, path } of draft.pictures) {
    await services.addPicture({ id: pictureId, guideId: id, bytes: await readFile(join(folder, path)), by: ownerId, now })
    await services.addPictureText(pictureId, CUSTOMER_WORDS)
  }
}

/** A guide that nobody has published yet, as there always is one. */
async function addDraftInWork(services: DemoServices, ids: Ids, until: number): Promise<void> {
  const { document } = drafted(
    '# Water the seed trays\n\nFog, do not pour.\n\n1. Check that the fog line is set to **house 2**.\n2. Fog for 40 seconds and look at the surface.\n',
    'water',
    services.newId,
  )
  const id = services.newId() as GuideId
  const [tomasz, marta] = ['Tomasz Wilk', 'Marta Sorrel'].map((name) => ids.people.get(name)! as PersonId)
  const folderId = ids.folders.get('Propagation')! as FolderId
  await services.addGuide({ id, document, ownerId: tomasz!, folderId, now: until - DAY })
  await services.share(id, [marta!], { id: tomasz!, name: 'Tomasz Wilk' }, until - DAY + 600_000)
  // Both change the same step at the same time: the second one has to decide.
  const fog = nth(stepsOf(document), 1)
  const put = (by: PersonId, words: string, at: number) =>
    services.saveChanges(
      id,
      by,
      [{ type: 'set-step', stepId: fog.id, fields: { body: withBlockIds(richTextOf(words), services.newId) } }],
      at,
      0,
    )
  await put(tomasz!, 'Fog for 40 seconds, then wait two minutes and look at the surface.', until - DAY / 3)
  await put(
    marta!,
    'Fog for 40 seconds. The surface should shine but hold no drops; if it is dull, fog once more.',
    until - DAY / 3 + 60_000,
  )
}
