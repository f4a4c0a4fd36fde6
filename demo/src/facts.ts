import { addDays, seededRandom, type LocalDate } from '@jackdaw/core/shared'
import type { DemoPerson } from './company'

/** What the directory shows of somebody. `startedDaysAgo` counts back from the anchor day. */
export type DemoFacts = { number: string; jobTitle: string; telephone: string; startedDaysAgo: number }

/** Job titles by role; several where people of one role do different work. */
const TITLES: Record<string, readonly string[]> = {
  'propagation hand': ['Propagation assistant', 'Seeder setter', 'Propagation assistant'],
  grower: ['Grower', 'Irrigation grower', 'Trainee grower'],
  'packhouse operator': ['Packer', 'Line setter', 'Packer', 'Quality checker'],
  'forklift driver': ['Forklift driver', 'Loading hand'],
  'dispatch driver': ['Driver'],
  'order clerk': ['Order clerk', 'Customer desk'],
  'maintenance fitter': ['Fitter', 'Electrical fitter'],
  'shift lead': ['Shift lead'],
  'site manager': ['Site manager, Brookside'],
  'office manager': ['Office manager'],
  'training lead': ['Training and operations lead'],
}

/** The same for ever for the place of somebody in the list. */
export function factsOf(person: Pick<DemoPerson, 'roles'>, index: number): DemoFacts {
  const random = seededRandom(6_100 + index)
  const titles = TITLES[person.roles[0] ?? ''] ?? ['Hand']
  const office = ['order clerk', 'office manager', 'training lead', 'site manager', 'shift lead'].includes(person.roles[0] ?? '')
  return {
    number: String(1001 + index * 3),
    jobTitle: titles[Math.floor(random() * titles.length)]!,
    telephone: office || random() < 0.25 ? `01632 960${String(100 + index).padStart(3, '0')}` : '',
    startedDaysAgo: 90 + Math.floor(random() * (index < 10 ? 3_000 : 1_400)),
  }
}

/** The day on which somebody began. */
export const startedOn = (anchor: LocalDate, daysAgo: number): LocalDate => addDays(anchor, -daysAgo)
