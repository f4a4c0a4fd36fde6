import { folded, type GroupId, type GroupKindId, type NewId, type PersonId } from '../../shared'
import { LEVEL_PRESETS, type Permission } from '../permissions'
import { circlesAmong, mayChangeAccount, newcomer, rightsBetween, type PersonState } from '../personState'
import type { Fault, LineFacts } from './readLine'

/** Somebody who may be reported to, or stands above somebody who may. */
export type KnownPerson = Pick<PersonState, 'id' | 'name' | 'mail' | 'number' | 'managerId' | 'active'>
/** What is there before a file is taken in, as far as its lines speak of it. */
export type KnownCompany = {
  /** Those whose number or mail address stands in a line, leavers too. */
  people: readonly PersonState[]
  /** Whoever else may be meant as a manager, and everybody above all of these. */
  others: readonly KnownPerson[]
  /** Groups that are not closed. */
  groups: readonly { id: GroupId; kind: GroupKindId; name: string }[]
  /** Those who work here with the level admin. */
  admins: readonly PersonId[]
}
/** How a file is to be taken in. */
export type ImportWishes = {
  /** Whether groups that are not there are made. */
  newGroups: boolean
  /** The site of newcomers whose line names none. */
  siteId: GroupId
  /** Whose rights are the ceiling. */
  by: { id: PersonId; permissions: ReadonlySet<Permission> }
}
/** A fact that changes, before and after; lists of groups by kind. */
export type Change = { what: string; from: string; to: string }
/** What becomes of a line. */
export type Outcome = 'added' | 'changed' | 'returned' | 'same' | 'wrong'
/** A line with what becomes of it. `id`: whom it is about, if that is known. */
export type PlannedLine = { line: number; id: PersonId | null; name: string; outcome: Outcome; changes: Change[]; faults: Fault[] }
/** What a file does: `states` is what those become who are added, changed or returned by lines that are right. */
export type ImportPlan = {
  lines: PlannedLine[]
  states: PersonState[]
  newGroups: { id: GroupId; kind: GroupKindId; name: string }[]
}

type Draft = {
  facts: LineFacts
  before: PersonState | null
  state: PersonState
  faults: Fault[]
  newGroups: GroupId[]
  /** Whether the same person stands further up, too. */
  twice: boolean
}
const SLICE = 100
const isRight = (draft: Draft): boolean => draft.faults.length === 0
const called = (name: string): string => `~${folded(name)}`

/** Names of groups to ids, those that are made on the way, too. */
class Groups {
  readonly names = new Map<GroupId, { kind: GroupKindId; name: string }>()
  readonly made = new Map<GroupId, ImportPlan['newGroups'][number]>()
  private readonly ids = new Map<string, GroupId>()

  constructor(
    groups: KnownCompany['groups'],
    private readonly mayMake: boolean,
    private readonly newId: NewId,
  ) {
    for (const { id, kind, name } of groups) this.note(id, kind, name)
  }
  /** The group of a line that is called so; what is wrong is told to the line. */
  of(draft: Draft, kind: GroupKindId, name: string): GroupId | null {
    const found = this.ids.get(`${kind} ${name.toLowerCase()}`) ?? this.ids.get(`${kind} ${called(name)}`)
    if (found && !this.made.has(found)) return found
    if (!found && !this.mayMake) {
      const words = kind === 'site' ? 'There is no site “{{name}}”.' : 'There is no group “{{name}}” of this kind.'
      draft.faults.push({ words, put: { name } })
      return null
    }
    const id = found ?? this.newId<GroupId>()
    if (!found) {
      this.made.set(id, { id, kind, name })
      this.note(id, kind, name)
    }
    draft.newGroups.push(id)
    return id
  }
  /** The names of those of a kind, in order. */
  words(ids: readonly GroupId[], kind: GroupKindId): string {
    const names = ids.flatMap((id) => (this.names.get(id)?.kind === kind ? [this.names.get(id)!.name] : []))
    return names.sort((a, b) => a.localeCompare(b)).join(', ')
  }
  private note(id: GroupId, kind: GroupKindId, name: string): void {
    this.names.set(id, { kind, name })
    for (const key of [`${kind} ${name.toLowerCase()}`, `${kind} ${called(name)}`]) if (!this.ids.has(key)) this.ids.set(key, id)
  }
}

class Planning {
  private readonly byNumber = new Map<string, PersonState>()
  private readonly byMail = new Map<string, PersonState>()
  private readonly known = new Map<PersonId, KnownPerson>()
  private readonly groups: Groups
  private readonly firstLines = new Map<string, number>()
  private readonly drafts = new Map<PersonId, Draft>()

  constructor(
    private readonly company: KnownCompany,
    private readonly wishes: ImportWishes,
    private readonly newId: NewId,
  ) {
    this.groups = new Groups(company.groups, wishes.newGroups, newId)
    for (const person of [...company.others, ...company.people]) this.known.set(person.id, person)
    for (const person of company.people) {
      if (person.number !== null) this.byNumber.set(person.number.toLowerCase(), person)
      if (person.mail !== null) this.byMail.set(person.mail.toLowerCase(), person)
    }
  }

  *run(lines: readonly LineFacts[]): Generator<undefined, ImportPlan> {
    const drafts: Draft[] = []
    for (const [n, facts] of lines.entries()) {
      drafts.push(this.draft(facts))
      if (n % SLICE === 0) yield
    }
    const named = yield* this.whoCanBeNamed()
    for (const [n, draft] of drafts.entries()) {
      findManager(draft, named)
      if (n % SLICE === 0) yield
    }
    yield* this.settle(drafts)
    const planned: PlannedLine[] = []
    for (const [n, draft] of drafts.entries()) {
      planned.push(this.planned(draft))
      if (n % SLICE === 0) yield
    }
    const taken = drafts.filter((_, n) => ['added', 'changed', 'returned'].includes(planned[n]!.outcome))
    const used = new Set(taken.flatMap((draft) => draft.newGroups))
    return {
      lines: planned,
      states: taken.map(({ state }) => state),
      newGroups: [...this.groups.made.values()].filter(({ id }) => used.has(id)),
    }
  }

  /** What a line makes of somebody, but for whom they report to. */
  private draft(facts: LineFacts): Draft {
    const found = this.match(facts)
    const base = found.before ?? newcomer(this.newId<PersonId>(), facts.name ?? '', this.wishes.siteId)
    const draft: Draft = { facts, ...found, faults: [...facts.faults, ...found.faults], state: base, newGroups: [] }
    const { faults } = draft
    if (!found.before && facts.name === null && faults.length === 0) faults.push({ words: 'Somebody new needs a name.' })
    const siteId = facts.site === null ? base.siteId : (this.groups.of(draft, 'site' as GroupKindId, facts.site) ?? base.siteId)
    if (!this.groups.names.has(siteId)) faults.push({ words: 'Their site is closed. Name another one.' })
    draft.state = {
      ...base,
      name: facts.name ?? base.name,
      number: facts.number ?? base.number,
      mail: facts.mail ?? base.mail,
      telephone: facts.telephone ?? base.telephone,
      jobTitle: facts.jobTitle ?? base.jobTitle,
      startedOn: facts.startedOn ?? base.startedOn,
      siteId,
      groups: this.groupsOf(draft, base, siteId),
      ...(facts.level && facts.level !== base.level ? { level: facts.level, permissions: LEVEL_PRESETS[facts.level] } : {}),
      active: true,
      managerId: base.managerId !== null && this.known.get(base.managerId)?.active === false ? null : base.managerId,
    }
    this.refuseBeyond(draft)
    if (!this.drafts.has(draft.state.id)) this.drafts.set(draft.state.id, draft)
    return draft
  }

  /** Whom a line is about, by number, then by mail; and whether a line further up was about them, too. */
  private match({ number, mail, line }: LineFacts): Pick<Draft, 'before' | 'faults' | 'twice'> {
    const faults: Fault[] = []
    const numbered = number === null ? undefined : this.byNumber.get(number.toLowerCase())
    const mailed = mail === null ? undefined : this.byMail.get(mail)
    if (mailed && numbered?.id !== mailed.id && (numbered || (number !== null && mailed.number !== null)))
      faults.push({ words: 'The mail address {{value}} belongs to {{name}} already.', put: { value: mail!, name: mailed.name } })
    const before = numbered ?? mailed ?? null
    let twice = false
    for (const [words, key] of [
      ['This personnel number stands in line {{line}} already.', number === null ? null : `number ${number.toLowerCase()}`],
      ['This mail address stands in line {{line}} already.', mail === null ? null : `mail ${mail}`],
      ['The same person stands in line {{line}} already.', before ? `person ${before.id}` : null],
    ] as const) {
      const first = key === null ? line : (this.firstLines.get(key) ?? line)
      if (key !== null && first === line) this.firstLines.set(key, line)
      if (first !== line && !twice) faults.push({ words, put: { line: first } })
      twice ||= first !== line
    }
    return { before, faults, twice }
  }

  /** Their groups: of a kind that the line names just those, of every other kind as before; the site in the place of the site before. */
  private groupsOf(draft: Draft, base: PersonState, siteId: GroupId): GroupId[] {
    const { groups } = draft.facts
    const stay = base.groups.filter((id) => {
      if (id === base.siteId) return siteId === base.siteId
      const kind = this.groups.names.get(id)?.kind
      return kind === undefined || !groups.has(kind)
    })
    const named = [...groups].flatMap(([kind, names]) => names.flatMap((name) => this.groups.of(draft, kind, name) ?? []))
    return [...new Set([...stay, siteId, ...named])]
  }

  /** Tells what whoever takes the file in may not: to give or take what they lack, or to touch the account of somebody who may do more. */
  private refuseBeyond({ before, state, faults }: Draft): void {
    const { by } = this.wishes
    const { granted, withdrawn } = rightsBetween(before?.permissions ?? [], state.permissions)
    if ([...granted, ...withdrawn].some((permission) => !by.permissions.has(permission)))
      faults.push({ words: 'You can only give and take what you hold yourself.' })
    const account = before && (before.mail !== state.mail || before.number !== state.number || !before.active)
    if (account && before.id !== by.id && !mayChangeAccount(by.permissions, before.permissions))
      faults.push({ words: '{{name}} may do more than you; ask an admin.', put: { name: before.name } })
  }

  /** Who works here or stands in the file, by number, mail address and name as they will be. */
  private *whoCanBeNamed(): Generator<undefined, Map<string, Set<PersonId>>> {
    const named = new Map<string, Set<PersonId>>()
    const note = ({ id, name, number, mail }: Pick<PersonState, 'id' | 'name' | 'number' | 'mail'>) => {
      for (const key of [number?.toLowerCase(), mail?.toLowerCase(), called(name)])
        if (key !== undefined) named.set(key, (named.get(key) ?? new Set()).add(id))
    }
    let noted = 0
    for (const person of this.known.values()) {
      if (person.active && !this.drafts.has(person.id)) note(person)
      if (noted++ % SLICE === 0) yield
    }
    for (const draft of this.drafts.values()) {
      if (!draft.twice) note(draft.state)
      if (noted++ % SLICE === 0) yield
    }
    return named
  }

  /** Whether somebody will work here when just what is right is taken in. */
  private isThere(id: PersonId): boolean {
    const draft = this.drafts.get(id)
    return draft && isRight(draft) ? true : this.known.get(id)?.active === true
  }

  /** Finds whoever cannot report to whom they are to, until nothing more follows from it: circles, and managers whose own line is wrong. */
  private *settle(drafts: readonly Draft[]): Generator<undefined, void> {
    const moved = drafts.filter(({ before, state }) => state.managerId !== null && before?.managerId !== state.managerId)
    const under = new Map<PersonId, Draft[]>()
    for (const draft of moved) under.set(draft.state.managerId!, [...(under.get(draft.state.managerId!) ?? []), draft])
    const missing = [...under.keys()].filter((id) => !this.isThere(id))
    const movedIds = new Set(moved.map(({ state }) => state.id))
    const managerOf = (id: PersonId) => {
      const draft = this.drafts.get(id)
      return draft && isRight(draft) ? draft.state.managerId : this.known.get(id)?.managerId
    }
    const refuse = (draft: Draft, fault: Fault) => {
      draft.faults.push(fault)
      if (!this.isThere(draft.state.id)) missing.push(draft.state.id)
    }
    for (let again = true; again;) {
      for (let id = missing.pop(); id !== undefined; id = missing.pop()) {
        const manager = this.drafts.get(id)
        for (const draft of (under.get(id) ?? []).filter(isRight))
          refuse(draft, {
            words: 'They report to {{name}}, whose own line {{line}} is wrong.',
            put: { name: manager?.state.name ?? '', line: manager?.facts.line ?? 0 },
          })
      }
      yield
      again = false
      for (const circle of circlesAmong(movedIds, managerOf)) {
        const names = [...circle, circle[0]!].map((id) => this.drafts.get(id)?.state.name ?? this.known.get(id)?.name ?? '').join(' → ')
        for (const id of circle) {
          const draft = this.drafts.get(id)
          if (!draft || !isRight(draft) || !movedIds.has(id)) continue
          refuse(draft, { words: 'Each would report to the next: {{names}}.', put: { names } })
          again = true
        }
      }
      again = this.keepAnAdmin() || again
    }
  }

  /** The last who may do everything do not cease to. @returns whether lines became wrong by it */
  private keepAnAdmin(): boolean {
    const right = [...this.drafts.values()].filter(isRight)
    const admins = new Set(this.company.admins)
    const ceasing = right.filter(({ state }) => admins.has(state.id) && state.level !== 'admin')
    if (ceasing.length < admins.size || ceasing.length === 0 || right.some(({ state }) => state.level === 'admin')) return false
    for (const draft of ceasing) draft.faults.push({ words: 'Nobody would be an admin any more.' })
    return true
  }

  private planned({ facts, before, state, faults }: Draft): PlannedLine {
    const changes = faults.length > 0 ? [] : this.changes(before, state)
    const outcome: Outcome =
      faults.length > 0 ? 'wrong' : !before ? 'added' : !before.active ? 'returned' : changes.length === 0 ? 'same' : 'changed'
    return {
      line: facts.line,
      id: before?.id ?? (faults.length > 0 ? null : state.id),
      name: facts.name ?? state.name,
      outcome,
      changes,
      faults,
    }
  }

  private changes(before: PersonState | null, state: PersonState): Change[] {
    const nameOf = (id: PersonId | null | undefined) => (id ? (this.drafts.get(id)?.state.name ?? this.known.get(id)?.name ?? '') : '')
    const facts = (['name', 'number', 'mail', 'telephone', 'jobTitle', 'startedOn', 'level'] as const).map((what) => ({
      what,
      from: before?.[what] ?? '',
      to: state[what] ?? '',
    }))
    const site = (of: PersonState | null) => (of ? (this.groups.names.get(of.siteId)?.name ?? '') : '')
    const had = before?.active ? before.groups : []
    const kinds = new Set([...had, ...state.groups].flatMap((id) => this.groups.names.get(id)?.kind ?? []))
    kinds.delete('site' as GroupKindId)
    return [
      ...facts,
      { what: 'site', from: site(before), to: site(state) },
      { what: 'manager', from: nameOf(before?.managerId), to: nameOf(state.managerId) },
      ...[...kinds].map((kind) => ({
        what: `groups:${kind}`,
        from: this.groups.words(had, kind),
        to: this.groups.words(state.groups, kind),
      })),
    ].filter(({ from, to }) => from !== to)
  }
}

/** Whom they report to: somebody who works here, or stands in the file, before them or after. */
function findManager(draft: Draft, named: ReadonlyMap<string, ReadonlySet<PersonId>>): void {
  const said = draft.facts.manager
  if (said === null) return
  const ids = [...(named.get(said.toLowerCase()) ?? named.get(called(said)) ?? [])]
  const put = { name: said.slice(0, 80) }
  if (ids.length === 1) draft.state = { ...draft.state, managerId: ids[0]! }
  else if (ids.length > 1)
    draft.faults.push({ words: 'Several people are called “{{name}}”. Name the manager by number or mail address.', put })
  else draft.faults.push({ words: 'Whom they report to, “{{name}}”, neither works here nor stands in the file.', put })
}

/** Plans what a file does, without doing it; in slices, so that others get their turn. The same file once more changes nothing.
 * @yields after some hundred lines */
export const planImport = (
  lines: readonly LineFacts[],
  company: KnownCompany,
  wishes: ImportWishes,
  newId: NewId,
): Generator<undefined, ImportPlan> => new Planning(company, wishes, newId).run(lines)
