import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { ticked, type AudienceRule } from '@jackdaw/core/audiences'
import type { DueRule } from '@jackdaw/core/assignments'
import { taskItem } from '@jackdaw/core/items'
import { known, type PersonId, type PictureId, type TaskId } from '@jackdaw/core/shared'
import type { HandInAnswer, TaskDocument } from '@jackdaw/core/tasks'
import type { Ids, Member } from './people'
import type { DemoServices } from './services'

const DAY = 86_400_000

/** What somebody has handed in, so many days before the end, and what came of it. */
type HandedIn = { words: string; photo?: string; daysAgo: number; answer?: HandInAnswer; by?: string; reason?: string }
type DemoTask = {
  key: string
  document: Omit<TaskDocument, 'picture' | 'confirmer'>
  /** A picture of the demo, and what it shows. */
  picture?: { file: string; alt: string }
  /** The role that confirms; whoever they report to without it. */
  role?: string
  owner: string
  daysAgo: number
  /** Who gets it: people of a team, without some, and what the first, second … of them have done, in turn. Without it, it stands in plans only. */
  given?: { team: string; without: readonly string[]; due: DueRule; done: readonly (readonly HandedIn[])[] }
}

/** The tasks of the demo. */
const TASKS: readonly DemoTask[] = [
  {
    key: 'fire-route',
    document: {
      title: 'Walk the fire route at Brookside',
      words:
        'Go from your place of work to the assembly point by the water tower, with somebody who has done it before. Open both doors on the way yourself.\n\nOn the way back, look for the two call points and the extinguishers by the chill store. Say which of them you would reach first from your place.',
      minutes: 15,
      evidence: 'words',
    },
    picture: { file: 'brookside-plan.png', alt: 'Plan of Brookside with the way from the packhouse to the water tower' },
    owner: 'Marta Sorrel',
    daysAgo: 20,
    given: {
      team: 'Crate line A',
      without: ['Inés Robledo', 'Gareth Pike'],
      due: { kind: 'days', days: 14, working: true },
      done: [
        [{ words: 'By the chill store. Both doors open outwards.', daysAgo: 15, answer: 'confirmed', by: 'Gareth Pike' }],
        [{ words: 'The call point at the loading door is nearest to me.', daysAgo: 2 }],
        [
          {
            words: 'Done.',
            daysAgo: 9,
            answer: 'sent-back',
            by: 'Gareth Pike',
            reason: 'Please say which extinguisher you would reach first from the labelling table.',
          },
        ],
        [{ words: 'The one by the chill store; the door beside it sticks a little.', daysAgo: 1 }],
      ],
    },
  },
  {
    key: 'lock-off',
    document: {
      title: 'Lock off the irrigation pump and show it',
      words:
        'Switch the pump off at the panel, put your own padlock and tag on the isolator, and try to start it. It must not start.\n\nTake a photo of the isolator with your tag on it.',
      minutes: 20,
      evidence: 'photo',
    },
    picture: { file: 'pump-panel.png', alt: 'The panel of the irrigation pump with its isolator' },
    role: 'shift lead',
    owner: 'Dieter Kranz',
    daysAgo: 30,
    given: {
      team: 'Fitters',
      without: ['Dieter Kranz'],
      due: { kind: 'days', days: 20 },
      done: [
        [{ words: '', photo: 'pump-panel.png', daysAgo: 22, answer: 'confirmed', by: 'Dieter Kranz' }],
        [{ words: 'Tag 14, it did not start.', photo: 'pump-gauges.png', daysAgo: 3 }],
      ],
    },
  },
  {
    key: 'beside-somebody',
    document: {
      title: 'Pack a pallet beside somebody who knows it',
      words:
        'Stand beside a colleague for one whole pallet. Ask about everything that you would do otherwise. Then change places for ten crates.',
      minutes: 45,
      evidence: 'words',
    },
    owner: 'Marta Sorrel',
    daysAgo: 58,
  },
  {
    key: 'ride-along',
    document: {
      title: 'Ride along on one delivery round',
      words: 'Sit beside the driver from loading to the last stop. Note the stop where you would have had to ask.',
      minutes: 240,
      evidence: 'words',
    },
    owner: 'Marta Sorrel',
    daysAgo: 58,
  },
  {
    key: 'listen-in',
    document: {
      title: 'Listen in on three calls from customers',
      words: 'Sit beside a clerk for three calls. Write down what each customer wanted, and what it was booked as.',
      minutes: 40,
      evidence: 'words',
    },
    owner: 'Marta Sorrel',
    daysAgo: 58,
  },
  {
    key: 'look-back',
    document: {
      title: 'Look back with whoever you report to',
      words: 'Take a quarter of an hour together. What is clear, what is not, and what would have helped on the first day?',
      minutes: 15,
      evidence: 'none',
    },
    owner: 'Marta Sorrel',
    daysAgo: 58,
  },
]

/** Makes the tasks of the demo, gives them, and has people do them.
 * @returns their ids by key */
export async function addTasks(loading: Loading): Promise<ReadonlyMap<string, TaskId>> {
  const { services, folder, ids, lead, until } = loading
  const person = (name: string) => known(ids.people, name) as PersonId
  const made = new Map<string, TaskId>()
  for (const task of TASKS) {
    const id = services.newId<TaskId>()
    const [owner, at] = [person(task.owner), until - task.daysAgo * DAY]
    const document: TaskDocument = {
      ...task.document,
      picture: null,
      confirmer: task.role ? { by: 'role', roleId: known(ids.roles, task.role) } : { by: 'manager' },
    }
    await services.addTask({ id, document, ownerId: owner, now: at })
    const picture = async (file: string, by: PersonId, now: number): Promise<PictureId> => {
      const pictureId = services.newId<PictureId>()
      const bytes = await readFile(join(folder, 'pictures', file))
      await services.addTaskPicture({ id: pictureId, taskId: id, bytes, by, now })
      return pictureId
    }
    if (task.picture) {
      const { file, alt } = task.picture
      await services.saveTask(id, 1, { ...document, picture: { id: await picture(file, owner, at), alt } }, owner, at)
    }
    await services.publishTask(id, task.picture ? 2 : 1, lead, at)
    made.set(task.key, id)
    if (task.given) await giveTask(loading, id, task.given, picture)
  }
  return made
}

type NewPicture = (file: string, by: PersonId, now: number) => Promise<PictureId>
/** Gives a task to those who get it, and has them do it. */
async function giveTask(
  { services, ids, members, lead, until }: Loading,
  id: TaskId,
  { team, without, due, done }: NonNullable<DemoTask['given']>,
  picture: NewPicture,
): Promise<void> {
  const at = until - 20 * DAY
  const people = members.filter(({ teams, name, joinsLate }) => teams.includes(team) && !without.includes(name) && joinsLate === null)
  const audience: AudienceRule = ticked(
    [],
    people.map((each) => each.id),
  )
  await services.give(taskItem(id), { audience, use: 'to-do', due, repeatMonths: null }, lead, at)
  for (const [n, list] of done.entries())
    for (const { words, photo, daysAgo, answer, by, reason = '' } of list) {
      const who = people[n]
      if (!who) continue
      const then = until - daysAgo * DAY
      await services.handIn(id, 1, { words, photo: photo ? await picture(photo, who.id, then) : null }, who.id, then)
      if (answer && by) await services.answerHandIn(id, who.id, answer, reason, known(ids.people, by), then + DAY / 6)
    }
}

/** What the tasks are loaded with. */
export type Loading = { services: DemoServices; folder: string; ids: Ids; members: readonly Member[]; lead: PersonId; until: number }
