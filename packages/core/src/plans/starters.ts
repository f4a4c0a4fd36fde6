import type { NewId, PlannedCheckInId, QuestionId, StageId } from '../shared'
import type { Question } from './checkIn'
import type { PlanDocument, Release } from './plan'

/** A check-in of a starter: its name, its day, and what is asked. */
type StarterCheckIn = { name: string; day: number; asks: readonly Omit<Question, 'id'>[] }
type StarterStage = { name: string; note: string; release: Release; free: number; checkIn?: StarterCheckIn }
const mark = (words: string): Omit<Question, 'id'> => ({ words, answer: 'scale' })
const words = (asked: string): Omit<Question, 'id'> => ({ words: asked, answer: 'words' })
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
      {
        ...{ name: 'Arrive', note: 'Who we are, where things are, what to do in a fire, whom to ask.', release: 'both', free: 0 },
        checkIn: {
          ...{ name: 'After the first week', day: 5 },
          asks: [mark('Does the newcomer know whom to ask?'), words('What was unclear this week?'), words('What would help next week?')],
        },
      },
      {
        name: 'Work beside somebody',
        note: 'The rules for safe work, and the first job, done beside a colleague.',
        release: 'both',
        free: 2,
      },
      {
        ...{
          name: 'On your own',
          note: 'The job done alone; then a look back with whoever they report to.',
          release: 'completion',
          free: 3,
        },
        checkIn: {
          ...{ name: 'At the end', day: 5 },
          asks: [
            mark('Can the job be done alone now?'),
            mark('Is the pace of the line kept?'),
            words('What goes well?'),
            words('What is still missing?'),
          ],
        },
      },
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
      {
        ...{ name: 'Back at work', note: 'A walk through the place of work, and a talk after the first week.', release: 'date', free: 2 },
        checkIn: {
          ...{ name: 'First week back', day: 5 },
          asks: [mark('Is the amount of work right?'), words('What has changed most?'), words('What should we do differently?')],
        },
      },
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
      {
        ...{ name: 'Looking back', note: 'A talk after a month: what went well, what is missing.', release: 'date', free: 15 },
        checkIn: {
          ...{ name: 'A month as lead', day: 1 },
          asks: [
            mark('Does the shift run safely?'),
            mark('Are people treated fairly?'),
            words('What went well?'),
            words('What is missing?'),
          ],
        },
      },
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

const checkInFrom = ({ name, day, asks }: StarterCheckIn, newId: NewId) => ({
  ...{ id: newId<PlannedCheckInId>(), name, day },
  questions: asks.map((question) => ({ ...question, id: newId<QuestionId>() })),
})
/** A plan that begins from another one. @param title what it is called */
export const planFrom = (
  { about, working, dayLimitMin, stages }: Omit<Starter, 'key' | 'title'>,
  title: string,
  newId: NewId,
): PlanDocument => ({
  ...{ title, about, working, dayLimitMin },
  stages: stages.map(({ name, note, release, free, checkIn }) => ({
    ...{ id: newId<StageId>(), name, note, release, free: { days: free, working: true } },
    items: [],
    checkIns: checkIn ? [checkInFrom(checkIn, newId)] : [],
  })),
})
