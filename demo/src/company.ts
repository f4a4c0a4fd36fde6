import type { Level } from '@jackdaw/core/people'
import { seededRandom } from '@jackdaw/core/shared'

/** A person of the made-up company, by names; ids are given when it is loaded. */
export type DemoPerson = {
  name: string
  mail: string
  level: Level
  site: string
  department: string
  teams: string[]
  roles: string[]
  manager: string | null
}
export type DemoCompany = {
  sites: { name: string; zone: string }[]
  departments: string[]
  teams: string[]
  roles: string[]
  people: DemoPerson[]
}

const ZONE = 'Europe/London'
const SITES = ['North House', 'Brookside', 'Quay Depot']
const DEPARTMENTS = ['Propagation', 'Growing', 'Packhouse', 'Dispatch', 'Order office', 'Maintenance', 'Administration']
const GIVEN = [
  'Agnieszka',
  'Bram',
  'Carmen',
  'Dafydd',
  'Elspeth',
  'Farah',
  'Gustavo',
  'Hanna',
  'Ibrahim',
  'Jolanta',
  'Kwame',
  'Lena',
  'Mateusz',
  'Nerea',
  'Owen',
  'Paulina',
  'Quentin',
  'Rosa',
  'Stefan',
  'Tamsin',
  'Ulrike',
  'Vikram',
  'Wanda',
  'Ximena',
  'Yusuf',
  'Zofia',
  'Ágata',
  'Benedikt',
  'Cerys',
  'Dorota',
  'Emeka',
  'Freya',
]
const FAMILY = [
  'Ashdown',
  'Brzezicka',
  'Calloway',
  'Delgado',
  'Eberle',
  'Fenwick',
  'Górska',
  'Hallam',
  'Iglesias',
  'Jasinski',
  'Kettering',
  'Lindqvist',
  'Marlowe',
  'Nowicki',
  'Okafor',
  'Pemberton',
  'Quiroga',
  'Rathbone',
  'Sandoval',
  'Thorne',
  'Umber',
  'Voss',
  'Wetherby',
  'Yardley',
  'Zielinska',
  'Łukowska',
  'Penrose',
  'Amsel',
  'Holloway',
  'Castellan',
]

/** Team → its department, site and the role of its members, and how many they are. */
const TEAMS: readonly [name: string, department: string, site: string, role: string, size: number][] = [
  ['Seeding', 'Propagation', 'North House', 'propagation hand', 7],
  ['Potting on', 'Propagation', 'North House', 'propagation hand', 5],
  ['Houses 1 to 3', 'Growing', 'Brookside', 'grower', 8],
  ['Crate line A', 'Packhouse', 'Brookside', 'packhouse operator', 8],
  ['Crate line B', 'Packhouse', 'Brookside', 'packhouse operator', 8],
  ['Quay loading', 'Dispatch', 'Quay Depot', 'forklift driver', 6],
  ['Drivers', 'Dispatch', 'Quay Depot', 'dispatch driver', 5],
  ['Order desk', 'Order office', 'Brookside', 'order clerk', 4],
  ['Fitters', 'Maintenance', 'Brookside', 'maintenance fitter', 3],
]

const named = (
  name: string,
  level: Level,
  site: string,
  department: string,
  teams: string[],
  roles: string[],
  manager: string | null,
): DemoPerson => ({
  name,
  mail: `${name
    .split(' ')[0]!
    .normalize('NFD')
    .replace(/[^A-Za-z]/g, '')
    .toLowerCase()}@larkmoor.example`,
  level,
  site,
  department,
  teams,
  roles,
  manager,
})

/** Who signs in as staff: they find something begun, something new, and something to be read again. */
export const STAFF_ACCOUNT = 'Inés Robledo'
/** The people with whom one signs in to look around, one for each permission level and a manager. */
export const ACCOUNTS: readonly { who: string; name: string; mail: string }[] = [
  { who: 'Admin', name: 'Priya Raman', mail: 'priya@larkmoor.example' },
  { who: 'Lead', name: 'Marta Sorrel', mail: 'marta@larkmoor.example' },
  { who: 'Author', name: 'Tomasz Wilk', mail: 'tomasz@larkmoor.example' },
  { who: 'Staff', name: STAFF_ACCOUNT, mail: 'ines@larkmoor.example' },
  { who: 'Manager', name: 'Gareth Pike', mail: 'gareth@larkmoor.example' },
]
export const DEMO_PASSWORD = 'glass-and-herbs'

const FIXED: readonly DemoPerson[] = [
  named('Helena Brandt', 'staff', 'Brookside', 'Administration', [], ['site manager'], null),
  named('Priya Raman', 'admin', 'Brookside', 'Administration', ['Order desk'], ['office manager'], 'Helena Brandt'),
  named('Marta Sorrel', 'lead', 'Brookside', 'Administration', [], ['training lead'], 'Helena Brandt'),
  named('Tomasz Wilk', 'author', 'North House', 'Propagation', ['Seeding'], ['shift lead'], 'Helena Brandt'),
  named('Gareth Pike', 'staff', 'Brookside', 'Packhouse', ['Crate line A'], ['shift lead'], 'Helena Brandt'),
  named('Linnea Moss', 'staff', 'Brookside', 'Packhouse', ['Crate line B'], ['shift lead'], 'Helena Brandt'),
  named('Dieter Kranz', 'author', 'Brookside', 'Maintenance', ['Fitters'], ['shift lead'], 'Helena Brandt'),
  named('Rosalind Abbey', 'staff', 'Quay Depot', 'Dispatch', ['Quay loading'], ['shift lead'], 'Helena Brandt'),
  named('Inés Robledo', 'staff', 'Brookside', 'Packhouse', ['Crate line A'], ['packhouse operator'], 'Gareth Pike'),
  named('Ada Finch', 'author', 'Brookside', 'Order office', ['Order desk'], ['order clerk'], 'Priya Raman'),
]
/** Who leads each team. */
export const LEAD_OF: Record<string, string> = {
  Seeding: 'Tomasz Wilk',
  'Potting on': 'Tomasz Wilk',
  'Houses 1 to 3': 'Helena Brandt',
  'Crate line A': 'Gareth Pike',
  'Crate line B': 'Linnea Moss',
  'Quay loading': 'Rosalind Abbey',
  Drivers: 'Rosalind Abbey',
  'Order desk': 'Priya Raman',
  Fitters: 'Dieter Kranz',
}

/** The company at `scale` times its size: 64 people at 1, with the same groups; the same for ever for one seed. */
export function demoCompany(scale = 1, seed = 1974): DemoCompany {
  const random = seededRandom(seed)
  const people = [...FIXED]
  const used = new Set(people.map((person) => person.name))
  const freeName = (index: number): string => {
    for (let tries = 0; ; tries++) {
      const name = `${GIVEN[Math.floor(random() * GIVEN.length)]} ${FAMILY[Math.floor(random() * FAMILY.length)]}${tries > 20 ? ` ${index}` : ''}`
      if (!used.has(name)) {
        used.add(name)
        return name
      }
    }
  }
  for (let turn = 0; turn < scale; turn++)
    for (const [team, department, site, role, size] of TEAMS) {
      const lead = LEAD_OF[team]!
      const have = turn === 0 ? FIXED.filter((person) => person.teams.includes(team) && person.name !== 'Priya Raman').length : 0
      for (let i = have; i < size + (turn === 0 && team === 'Houses 1 to 3' ? 4 : 0); i++) {
        const name = freeName(people.length)
        people.push({
          name,
          mail: `staff${people.length}@larkmoor.example`,
          level: 'staff',
          site,
          department,
          teams: [team],
          roles: [role],
          manager: lead,
        })
      }
    }
  while (people.length < 64 * scale)
    people.push({
      name: freeName(people.length),
      mail: `staff${people.length}@larkmoor.example`,
      level: 'staff',
      site: 'Brookside',
      department: 'Growing',
      teams: ['Houses 1 to 3'],
      roles: ['grower'],
      manager: 'Helena Brandt',
    })
  return {
    sites: SITES.map((name) => ({ name, zone: ZONE })),
    departments: [...DEPARTMENTS],
    teams: TEAMS.map(([name]) => name),
    roles: [...new Set([...TEAMS.map(([, , , role]) => role), 'shift lead', 'site manager', 'office manager', 'training lead'])].sort(),
    people,
  }
}
