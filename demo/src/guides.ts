import type { GuideKind } from '@jackdaw/core/guides'

/** A guide of the demo: its text is `demo/guides/<file>.md`, or it was recorded and is `demo/recordings/<file>`. Its people are told by team and role names. Days count back from the anchor. */
export type DemoGuide = {
  file: string
  folder: string
  /** What stands under the title of a recorded guide. */
  recordedSummary?: string
  kind: GuideKind
  /** What is said once somebody is through. */
  closing?: string
  owner: string
  confirmSteps?: boolean
  publishedDaysAgo: number
  teams?: string[]
  roles?: string[]
  everybody?: boolean
  openToAll?: boolean
  dueDays: number | null
  /** Whether these are working days of whoever is given it. */
  workingDays?: boolean
  /** A second edition, this many days ago, with its note. */
  again?: { daysAgo: number; note: string; mustReread: boolean; addStep: string }
  /** How the readers behave: `stopAt` is a step (from 1) at which this share gives up for now. */
  reading: { starts: number; stopAt?: { step: number; share: number } }
}

/** Folders, parents first: name → parent. */
export const FOLDERS: readonly [name: string, parent: string | null][] = [
  ['Everybody', null],
  ['Order office', null],
  ['Propagation', null],
  ['Brookside', null],
  ['Packhouse', 'Brookside'],
  ['Growing', 'Brookside'],
  ['Maintenance', 'Brookside'],
  ['Quay Depot', null],
]

// prettier-ignore
export const GUIDES: readonly DemoGuide[] = [
  { file: 'welcome', folder: 'Everybody', kind: 'background', owner: 'Marta Sorrel', publishedDaysAgo: 60, everybody: true, openToAll: true, dueDays: 21, reading: { starts: 0.96 } },
  { file: 'hand-hygiene', folder: 'Everybody', kind: 'policy', owner: 'Marta Sorrel', publishedDaysAgo: 58, roles: ['packhouse operator', 'grower', 'shift lead'], dueDays: 14, confirmSteps: false, reading: { starts: 0.93 }, again: { daysAgo: 9, note: 'Who was sick in the last two days does other work, and loses no pay. New step on gloves.', mustReread: true, addStep: 'Put on fresh gloves last, touching only the cuffs. Gloves do not replace washing.' } },
  { file: 'near-miss', closing: 'Seen one today? Report it now, while you still know where it was. Nobody here has ever been blamed for a report.', folder: 'Everybody', kind: 'policy', owner: 'Marta Sorrel', publishedDaysAgo: 47, everybody: true, openToAll: true, dueDays: 56, reading: { starts: 0.74 } },
  { file: 'lone-working', folder: 'Everybody', kind: 'policy', owner: 'Marta Sorrel', publishedDaysAgo: 40, roles: ['shift lead', 'maintenance fitter', 'forklift driver', 'dispatch driver'], dueDays: 21, reading: { starts: 0.7 } },
  { file: 'enter-a-standing-order', closing: 'Stuck on a customer who wants something else? Ask Ada at the order desk before you save.', folder: 'Order office', recordedSummary: 'A standing order repeats every week until it is stopped. Enter it once, with the right crate size, and the packhouse plans it by itself.', kind: 'how-to', owner: 'Ada Finch', publishedDaysAgo: 52, teams: ['Order desk'], dueDays: 14, reading: { starts: 1 } },
  { file: 'book-a-delivery-slot', folder: 'Order office', recordedSummary: 'Every lorry that loads at Quay Depot needs a slot at a dock. A slot lasts half an hour and holds eight pallets.', kind: 'how-to', owner: 'Ada Finch', publishedDaysAgo: 45, teams: ['Order desk', 'Quay loading', 'Drivers'], dueDays: 21, reading: { starts: 0.8 } },
  { file: 'count-stock', folder: 'Brookside', kind: 'how-to', owner: 'Marta Sorrel', publishedDaysAgo: 33, roles: ['shift lead', 'order clerk', 'packhouse operator'], dueDays: 36, reading: { starts: 0.55 } },
  { file: 'tray-seeder', folder: 'Propagation', kind: 'work-instruction', owner: 'Tomasz Wilk', publishedDaysAgo: 50, teams: ['Seeding', 'Potting on'], dueDays: 14, confirmSteps: true, reading: { starts: 0.95 } },
  { file: 'nutrient-tank', folder: 'Growing', kind: 'work-instruction', owner: 'Dieter Kranz', publishedDaysAgo: 38, teams: ['Houses 1 to 3', 'Fitters'], dueDays: 42, confirmSteps: true, reading: { starts: 0.8, stopAt: { step: 8, share: 0.35 } } },
  { file: 'pack-herb-crates', folder: 'Packhouse', kind: 'work-instruction', owner: 'Marta Sorrel', publishedDaysAgo: 55, teams: ['Crate line A', 'Crate line B', 'Quay loading'], dueDays: 60, confirmSteps: false, reading: { starts: 0.95, stopAt: { step: 8, share: 0.72 } } },
  { file: 'pump-filter', folder: 'Maintenance', kind: 'work-instruction', owner: 'Dieter Kranz', publishedDaysAgo: 30, teams: ['Fitters'], dueDays: 45, confirmSteps: true, reading: { starts: 0 } },
  { file: 'opening-checks', folder: 'Brookside', kind: 'work-instruction', owner: 'Dieter Kranz', publishedDaysAgo: 21, roles: ['shift lead', 'site manager'], dueDays: 18, workingDays: true, confirmSteps: true, reading: { starts: 0.85 } },
]
