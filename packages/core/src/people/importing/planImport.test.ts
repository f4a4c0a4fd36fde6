import { describe, expect, it } from 'vitest'
import { seededIds, seededRandom, type GroupId, type GroupKindId, type PersonId } from '../../shared'
import { oneOf } from '../../testing'
import {
  circlesAmong,
  dayOf,
  faultOfColumns,
  guessColumns,
  LEVEL_PRESETS,
  newcomer,
  planImport,
  readLine,
  wantedBy,
  type Column,
  type ImportPlan,
  type ImportWishes,
  type KnownCompany,
  type PersonState,
} from '../index'

const id = <I extends string>(text: string) => text as I
const kind = (text: string) => text as GroupKindId
const GROUPS = [
  { id: id<GroupId>('brookside'), kind: kind('site'), name: 'Brookside' },
  { id: id<GroupId>('hill'), kind: kind('site'), name: 'Hill House' },
  { id: id<GroupId>('packing'), kind: kind('department'), name: 'Packing' },
  { id: id<GroupId>('line-a'), kind: kind('team'), name: 'Crate line A' },
  { id: id<GroupId>('line-b'), kind: kind('team'), name: 'Crate line B' },
  { id: id<GroupId>('choir'), kind: kind('choirs-of-the-company'), name: 'Tenors' },
]
const KINDS = [
  { id: kind('site'), name: 'Site' },
  { id: kind('department'), name: 'Department' },
  { id: kind('team'), name: 'Team' },
  { id: kind('role'), name: 'Role' },
  { id: kind('choirs-of-the-company'), name: 'Choir' },
]
const person = (name: string, more: Partial<PersonState> = {}): PersonState => {
  const state = { ...newcomer(id<PersonId>(name.toLowerCase()), name, id<GroupId>('brookside')), ...more }
  return { ...state, permissions: LEVEL_PRESETS[state.level], groups: state.active ? [...new Set([...state.groups, state.siteId])] : [] }
}
const ADA = person('Ada', { number: '1', mail: 'ada@example.org', level: 'admin' })
const LEE = person('Lee', { number: '2', mail: 'lee@example.org', managerId: ADA.id, groups: [id('line-a'), id('choir')] })
const KIM = person('Kim', { number: '3', managerId: LEE.id, jobTitle: 'Packer' })
const GONE = person('Gone', { number: '4', mail: 'gone@example.org', active: false, managerId: LEE.id })
const PEOPLE = [ADA, LEE, KIM, GONE]

const companyOf = (people: readonly PersonState[]): KnownCompany => ({
  people,
  others: [],
  groups: GROUPS,
  admins: people.filter(({ level, active }) => active && level === 'admin').map((each) => each.id),
})
const WISHES: ImportWishes = {
  newGroups: false,
  siteId: id('brookside'),
  by: { id: ADA.id, permissions: new Set(LEVEL_PRESETS.admin) },
}
/** What a file of these lines does, cells with commas between them. */
function planOf(
  columns: readonly (Column | null)[],
  lines: readonly string[],
  wishes: Partial<ImportWishes> = {},
  people = PEOPLE,
): ImportPlan {
  const facts = lines.map((line, n) => readLine(n + 2, line.split(','), columns))
  const plan = planImport(facts, companyOf(people), { ...WISHES, ...wishes }, seededIds(5))
  for (let next = plan.next(); ; next = plan.next()) if (next.done) return next.value
}
const outcomes = (plan: ImportPlan) => plan.lines.map(({ outcome }) => outcome)
const told = (plan: ImportPlan) =>
  plan.lines.flatMap(({ faults }) =>
    faults.map(({ words, put }) => words.replace(/\{\{(\w+)\}\}/g, (_, key: string) => String(put?.[key]))),
  )
const NUMBER_NAME: Column[] = ['number', 'name']

describe('the columns of a file', () => {
  it('are guessed from heads in two languages, each once, and by the company’s own kinds of groups', () => {
    expect(
      guessColumns(['Personnel no.', 'FIRST NAME', 'Last-Name', 'E-Mail', 'Teams', 'Choir', 'Shoe size', 'Name', 'Full name'], KINDS),
    ).toEqual([...['number', 'firstName', 'lastName', 'mail', 'groups:team', 'groups:choirs-of-the-company', null, 'name', null]])
    expect(
      guessColumns(['Pers.-Nr.', 'Vorname', 'Nachname', 'Eintrittsdatum', 'Führungskraft', 'Abteilung', 'Betriebsstätte'], KINDS),
    ).toEqual(['number', 'firstName', 'lastName', 'startedOn', 'manager', 'groups:department', 'site'])
  })
  it('have to tell by what people are known again, and nothing twice', () => {
    expect(faultOfColumns(['name', 'mail'])).toBeNull()
    expect(faultOfColumns(['name', null])).toContain('known again')
    expect(faultOfColumns(['mail', 'name', 'name'])).toContain('Two columns')
  })
})

describe('a line', () => {
  it('says days in three ways, and no other', () => {
    expect(['2026-03-04', '2026-3-4', '2026-03-04T00:00:00.000Z', '4.3.2026', '04/03/2026'].map(dayOf)).toEqual(Array(5).fill('2026-03-04'))
    expect(['4/13/2026', '31.2.2026', '4.3.26', '1799-01-01', 'March'].map(dayOf)).toEqual(Array(5).fill(null))
  })
  it('takes names of one letter, from right to left, and of 300 letters; not of 301', () => {
    for (const name of ['Ö', 'עדה לוין', 'a'.repeat(300)]) expect(readLine(2, ['7', name], NUMBER_NAME)).toMatchObject({ name, faults: [] })
    expect(readLine(2, ['7', 'a'.repeat(301)], NUMBER_NAME).faults).toHaveLength(1)
    expect(readLine(2, ['7', 'a'.repeat(200), 'b'.repeat(200)], ['number', 'firstName', 'lastName']).faults).toHaveLength(1)
  })
  it('tells of formulas, of what cannot be read, and of what is no mail address, day or level', () => {
    const faults = readLine(2, ['=A1', 'A\u0000da', 'nowhere', 'soon', 'boss'], ['number', 'name', 'mail', 'startedOn', 'level']).faults
    expect(faults.map(({ words }) => words)).toEqual([
      expect.stringContaining('formula'),
      expect.stringContaining('encoding'),
      expect.stringContaining('no mail address'),
      expect.stringContaining('no day'),
      expect.stringContaining('no level'),
    ])
    expect(readLine(2, ['', 'Ada'], NUMBER_NAME).faults).toHaveLength(1)
  })
  it('says whom one has to know', () => {
    const facts = [readLine(2, ['A7', 'Max', 'Łucja Ä'], ['number', 'name', 'manager'])]
    expect(wantedBy(facts)).toEqual({ numbers: ['a7', 'łucja ä'], mails: ['łucja ä'], names: ['lucja a'] })
  })
})

describe('what a file does', () => {
  it('adds, changes, lets return and leaves alone; an empty cell changes nothing', () => {
    const plan = planOf(
      ['number', 'name', 'jobTitle', 'groups:team', 'mail'],
      ['3,Kim,Head packer,Crate line A|crate line b,', '9,Max,,,MAX@example.org', '4,,,Crate line A,', ',Lee,,,LEE@example.org'],
    )
    expect(outcomes(plan)).toEqual(['changed', 'added', 'returned', 'same'])
    expect(plan.lines[0]!.changes).toEqual([
      { what: 'jobTitle', from: 'Packer', to: 'Head packer' },
      { what: 'groups:team', from: '', to: 'Crate line A, Crate line B' },
    ])
    const [kim, max, gone] = plan.states
    expect(kim).toMatchObject({ id: KIM.id, managerId: LEE.id, groups: ['brookside', 'line-a', 'line-b'] })
    expect(max).toMatchObject({ name: 'Max', mail: 'max@example.org', level: 'staff', siteId: 'brookside', groups: ['brookside'] })
    expect(gone).toMatchObject({ id: GONE.id, active: true, managerId: LEE.id, groups: ['brookside', 'line-a'] })
  })
  it('names all groups of a kind, and leaves other kinds and further sites alone', () => {
    const plan = planOf(['number', 'groups:team', 'site'], ['2,Crate line B,Hill House'])
    expect(plan.states[0]).toMatchObject({ siteId: 'hill', groups: ['choir', 'hill', 'line-b'] })
  })
  it('finds managers by number, mail and name, further up or down in the file', () => {
    const plan = planOf(
      ['number', 'name', 'manager'],
      ['10,Ola,12', '11,Max,lee@example.org', '12,Zoë Tan,kim', '13,Sam,zoe tan', '14,Pat,Gone', '15,Una,Nobody'],
    )
    expect(outcomes(plan)).toEqual(['added', 'added', 'added', 'added', 'wrong', 'wrong'])
    const [ola, max, zoe, sam] = plan.states
    expect([ola!.managerId, max!.managerId, zoe!.managerId, sam!.managerId]).toEqual([zoe!.id, LEE.id, KIM.id, zoe!.id])
    expect(told(plan)[0]).toContain('“Gone”, neither works here nor stands in the file')
  })
  it('does not guess between two of one name', () => {
    const plan = planOf(['number', 'name', 'manager'], ['10,Lee,', '11,Max,Lee', '12,Pat,2'])
    expect(outcomes(plan)).toEqual(['added', 'wrong', 'added'])
    expect(told(plan)).toEqual(['Several people are called “Lee”. Name the manager by number or mail address.'])
  })
  it('refuses circles with the names, and whoever would report to somebody whose line is wrong; the rest stays right', () => {
    const plan = planOf(
      ['number', 'name', 'manager'],
      ['10,Ola,11', '11,Max,12', '12,Pat,10', '13,Una,11', '2,Lee,3', '14,Ben,14', '15,Eva,2'],
    )
    expect(outcomes(plan)).toEqual(['wrong', 'wrong', 'wrong', 'wrong', 'wrong', 'wrong', 'added'])
    expect(told(plan)).toEqual(
      expect.arrayContaining([
        'Each would report to the next: Ola → Max → Pat → Ola.',
        'They report to Max, whose own line 3 is wrong.',
        'Each would report to the next: Lee → Kim → Lee.',
        'Each would report to the next: Ben → Ben.',
      ]),
    )
  })
  it('refuses the second of two lines about one person, and accounts of somebody else', () => {
    const plan = planOf(
      ['number', 'mail', 'name'],
      [...['20,new@example.org,New', '20,,Again', ',new@example.org,Again', '3,lee@example.org,Kim', '2,,Lee', ',lee@example.org,Lee']],
    )
    expect(outcomes(plan)).toEqual(['added', 'wrong', 'wrong', 'wrong', 'same', 'wrong'])
    expect(told(plan)).toEqual([
      'This personnel number stands in line 2 already.',
      'This mail address stands in line 2 already.',
      'The mail address lee@example.org belongs to Lee already.',
      'This mail address stands in line 5 already.',
    ])
  })
  it('makes groups when wished, once, and only those that a right line needs', () => {
    const lines = ['30,Ola,Night shift,', '31,Max,night SHIFT,', '32,,Day shift,', '33,Pat,,North End']
    const columns: Column[] = ['number', 'name', 'groups:team', 'site']
    expect(outcomes(planOf(columns, lines))).toEqual(['wrong', 'wrong', 'wrong', 'wrong'])
    const plan = planOf(columns, lines, { newGroups: true })
    expect(plan.newGroups.map(({ kind: of, name }) => [of, name])).toEqual([
      ['team', 'Night shift'],
      ['site', 'North End'],
    ])
    expect(plan.states[0]!.groups).toEqual(plan.states[1]!.groups)
  })
  it('keeps to the rights of whoever takes it in, and an admin', () => {
    const by = { id: LEE.id, permissions: new Set(LEVEL_PRESETS.lead) }
    const plan = planOf(
      ['number', 'name', 'level', 'mail'],
      ['40,Ola,lead,', '41,Max,admin,', '1,Ada,,other@example.org', '3,Kim,Autorin,'],
      { by },
    )
    expect(outcomes(plan)).toEqual(['added', 'wrong', 'wrong', 'changed'])
    expect(outcomes(planOf(['number', 'level'], ['1,staff', '2,admin']))).toEqual(['changed', 'changed'])
    expect(told(planOf(['number', 'level'], ['1,staff', '2,author']))).toEqual(['Nobody would be an admin any more.'])
  })
  it('leaves a company whole after any file of chance, and changes nothing the second time', () => {
    for (let seed = 1; seed <= 150; seed++) {
      const random = seededRandom(seed)
      const some = (n: number) => Math.floor(random() * n)
      const lines = Array.from({ length: 12 }, () => {
        const number = String(1 + some(9))
        return [
          number,
          random() < 0.2 ? '' : `P${number}`,
          random() < 0.5 ? '' : String(1 + some(10)),
          oneOf(random, ['', '', `m${some(5)}@example.org`]),
          oneOf(random, ['', 'admin', 'staff']),
        ].join(',')
      })
      const columns: Column[] = ['number', 'name', 'manager', 'mail', 'level']
      const plan = planOf(columns, lines)
      const after = new Map([...PEOPLE, ...plan.states].map((state) => [state.id, state]))
      const all = [...after.values()]
      expect(circlesAmong(after.keys(), (at) => after.get(at)?.managerId)).toEqual([])
      for (const field of ['number', 'mail'] as const) {
        const values = all.map((state) => state[field]).filter((value) => value !== null)
        expect(new Set(values).size).toBe(values.length)
      }
      expect(all.some(({ active, level }) => active && level === 'admin')).toBe(true)
      for (const { managerId } of plan.states) if (managerId !== null) expect(after.get(managerId)?.active).toBe(true)
      const again = planOf(columns, lines, {}, all)
      for (const [n, { outcome }] of plan.lines.entries())
        if (outcome !== 'wrong') expect([seed, again.lines[n]!.outcome]).toEqual([seed, 'same'])
    }
  })
})
