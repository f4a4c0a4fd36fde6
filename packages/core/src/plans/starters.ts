import type { NewId, StageId } from '../shared'
import type { PlanDocument, Release } from './plan'

type StarterStage = { name: string; note: string; release: Release; free: number }
/** A plan to begin from: what it is for, and its stages with what belongs into each. */
export type Starter = { key: string; title: string; about: string; working: boolean; dayLimitMin: number; stages: readonly StarterStage[] }

/** Plans to begin from. They hold no items: what belongs into a stage stands in its note. */
export const STARTERS: readonly Starter[] = [
  {
    key: 'somebody-new',
    title: 'First weeks of somebody new',
    about: 'A little every day, with room to breathe between. Ask whenever something is unclear.',
    working: true,
    dayLimitMin: 60,
    stages: [
      { name: 'Arrive', note: 'Who we are, where things are, what to do in a fire, whom to ask.', release: 'both', free: 0 },
      {
        name: 'Work beside somebody',
        note: 'The rules for safe work, and the first job, done beside a colleague.',
        release: 'both',
        free: 2,
      },
      { name: 'On your own', note: 'The job done alone; then a look back with whoever they report to.', release: 'completion', free: 3 },
    ],
  },
  {
    key: 'new-machine',
    title: 'A new machine or place of work',
    about: 'From reading to working alone, one thing after another.',
    working: true,
    dayLimitMin: 90,
    stages: [
      { name: 'Know it', note: 'How it works, what is dangerous about it, what stops it.', release: 'both', free: 0 },
      {
        name: 'Under supervision',
        note: 'Setting up, a first run and cleaning down, with somebody beside them who confirms it.',
        release: 'completion',
        free: 1,
      },
      { name: 'Alone', note: 'A whole run alone, and what to do when it fails.', release: 'completion', free: 2 },
    ],
  },
  {
    key: 'coming-back',
    title: 'Coming back after a long time away',
    about: 'What has changed while you were away, in the order in which you will need it.',
    working: true,
    dayLimitMin: 45,
    stages: [
      { name: 'What is new', note: 'New editions, new rules, new colleagues.', release: 'both', free: 0 },
      { name: 'Back at work', note: 'A walk through the place of work, and a talk after the first week.', release: 'date', free: 2 },
    ],
  },
  {
    key: 'shift-lead',
    title: 'Taking over a shift',
    about: 'From doing the work to answering for it.',
    working: true,
    dayLimitMin: 60,
    stages: [
      { name: 'What one answers for', note: 'Safety, people, reports, whom to call at night.', release: 'both', free: 0 },
      { name: 'Beside a lead', note: 'Opening, handing over and closing, beside somebody who leads.', release: 'completion', free: 1 },
      { name: 'Leading, with help', note: 'Own shifts, with somebody within reach.', release: 'completion', free: 1 },
      { name: 'Looking back', note: 'A talk after a month: what went well, what is missing.', release: 'date', free: 15 },
    ],
  },
  {
    key: 'refresher',
    title: 'What everybody goes over once a year',
    about: 'In small portions, one a week.',
    working: true,
    dayLimitMin: 20,
    stages: [
      { name: 'First week', note: 'Fire, first aid, escape routes.', release: 'date', free: 0 },
      { name: 'Second week', note: 'Hygiene.', release: 'date', free: 4 },
      { name: 'Third week', note: 'Machines and vehicles.', release: 'date', free: 4 },
      { name: 'Fourth week', note: 'Data, privacy, near misses.', release: 'date', free: 4 },
    ],
  },
]

/** A plan that begins from another one. @param title what it is called */
export const planFrom = (
  { about, working, dayLimitMin, stages }: Omit<Starter, 'key' | 'title'>,
  title: string,
  newId: NewId,
): PlanDocument => ({
  ...{ title, about, working, dayLimitMin },
  stages: stages.map(({ name, note, release, free }) => ({
    ...{ id: newId<StageId>(), name, note, release, free: { days: free, working: true } },
    items: [],
  })),
})
