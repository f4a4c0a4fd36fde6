import type { RecordingTarget } from '@jackdaw/contracts/recording'
import type { RawAction, SentenceLanguage } from '@jackdaw/core/recording'
import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { HIDE_SWITCHES, HIDING_AT_FIRST, type HideSwitch, type Hiding, type Status } from '../shared/messages'

/** The pairing with a person's account. */
export type Pairing = { origin: string; token: string; person: string; company: string }
/** The recording that runs, or that waits to be sent. */
export type Recording = {
  id: string
  status: Exclude<Status, 'idle'>
  language: SentenceLanguage
  target: RecordingTarget
  names: { salt: string; marks: number[] }
  secret: string
  /** Browser's ids of the tabs, in the order in which they came into the recording. */
  tabs: number[]
  startedAt: number
  trouble: string
  /** It is to become a guide of its own, whatever guide it was recorded for. */
  ownGuide?: boolean
  /** The guide that it was recorded for cannot be written. */
  noTarget?: boolean
}
/** `refused`: why Jackdaw does not take it; it is left out of the draft, and is in the file that can be saved. */
export type KeptAction = { id: string; recordingId: string; action: RawAction; dropped: boolean; sent: boolean; refused?: string }
export type KeptShot = {
  id: string
  recordingId: string
  blob: Blob
  widthPx: number
  heightPx: number
  /** Epoch milliseconds. */
  takenAt: number
  source: 'ahead' | 'press' | 'later'
  certain: boolean
  used: boolean
  sent: boolean
  /** Jackdaw does not take it: its step has no picture. */
  refused?: boolean
}
export type Asked = { address: string; language: SentenceLanguage; target: RecordingTarget }

/** Single things that are kept, each under its own key. */
type Facts = { pairing: Pairing; recording: Recording; hiding: KeptHiding; asked: Asked }
interface Kept extends DBSchema {
  facts: { key: keyof Facts; value: Facts[keyof Facts] }
  actions: { key: string; value: KeptAction }
  shots: { key: string; value: KeptShot }
  presses: { key: string; value: { id: string; shotId: string | null; otherShotIds: string[] } }
}

/** `asked`: the kinds that there were when it was chosen. */
type KeptHiding = Hiding & { asked?: HideSwitch[] }
const ASKED_AT_FIRST: readonly HideSwitch[] = ['mail', 'phone', 'account', 'person', 'number', 'value', 'portrait']
/** Kinds that have come since somebody chose are hidden until they are switched off. */
function withNewKinds(chosen: KeptHiding | undefined): Hiding {
  if (!chosen) return HIDING_AT_FIRST
  const { asked = ASKED_AT_FIRST, kinds, pointed } = chosen
  return { kinds: [...kinds, ...HIDING_AT_FIRST.kinds.filter((kind) => !asked.includes(kind) && !kinds.includes(kind))], pointed }
}

let opened: Promise<IDBPDatabase<Kept>> | undefined
/** Everything that must survive the worker: opened once for each of its lives. */
const db = (): Promise<IDBPDatabase<Kept>> =>
  (opened ??= openDB<Kept>('recorder', 1, {
    upgrade(made) {
      made.createObjectStore('facts')
      made.createObjectStore('actions', { keyPath: 'id' })
      made.createObjectStore('shots', { keyPath: 'id' })
      made.createObjectStore('presses', { keyPath: 'id' })
    },
  }))

/** What is kept under a key, as it was put there. */
const fact = async <K extends keyof Facts>(key: K): Promise<Facts[K] | undefined> =>
  (await (await db()).get('facts', key)) as Facts[K] | undefined

export const kept = {
  pairing: () => fact('pairing'),
  setPairing: async (pairing: Pairing | null) =>
    pairing ? void (await (await db()).put('facts', pairing, 'pairing')) : (await db()).delete('facts', 'pairing'),
  recording: () => fact('recording'),
  setRecording: async (recording: Recording) => void (await (await db()).put('facts', recording, 'recording')),
  /** Changes what is known of the recording, in one go: nothing that is written at the same time gets lost. Of none nothing is changed. */
  changeRecording: async (change: (now: Recording) => Recording) => {
    const tx = (await db()).transaction('facts', 'readwrite')
    const now = (await tx.store.get('recording')) as Recording | undefined
    if (now) await tx.store.put(change(now), 'recording')
    await tx.done
  },
  hiding: async () => withNewKinds(await fact('hiding')),
  setHiding: async (hiding: Hiding) => void (await (await db()).put('facts', { ...hiding, asked: [...HIDE_SWITCHES] }, 'hiding')),
  asked: async () => (await fact('asked')) ?? null,
  setAsked: async (asked: Asked | null) =>
    asked ? void (await (await db()).put('facts', asked, 'asked')) : (await db()).delete('facts', 'asked'),

  /** In the order in which things were done: the database has them by their ids, which say nothing. */
  actions: async () => (await (await db()).getAll('actions')).sort((a, b) => a.action.at - b.action.at),
  countActions: async () => (await db()).count('actions'),
  hasAction: async (id: string) => (await (await db()).getKey('actions', id)) !== undefined,
  putAction: async (action: KeptAction) => void (await (await db()).put('actions', action)),
  changeActions: async (ids: readonly string[], change: Partial<KeptAction>) => {
    const tx = (await db()).transaction('actions', 'readwrite')
    for (const id of ids) {
      const found = await tx.store.get(id)
      if (found) await tx.store.put({ ...found, ...change })
    }
    await tx.done
  },
  shot: async (id: string) => (await db()).get('shots', id),
  shots: async () => (await db()).getAll('shots'),
  putShot: async (shot: KeptShot) => void (await (await db()).put('shots', shot)),
  changeShots: async (ids: readonly string[], change: Partial<KeptShot>) => {
    const tx = (await db()).transaction('shots', 'readwrite')
    for (const id of ids) {
      const found = await tx.store.get(id)
      if (found) await tx.store.put({ ...found, ...change })
    }
    await tx.done
  },
  /** Forgets a picture that no action uses. */
  dropShot: async (id: string) => {
    const tx = (await db()).transaction('shots', 'readwrite')
    if ((await tx.store.get(id))?.used === false) await tx.store.delete(id)
    await tx.done
  },
  press: async (id: string) => (await db()).get('presses', id),
  putPress: async (press: { id: string; shotId: string | null; otherShotIds: string[] }) => void (await (await db()).put('presses', press)),
  /** Forgets the recording and all that belongs to it. */
  forgetRecording: async () => {
    const tx = (await db()).transaction(['facts', 'actions', 'shots', 'presses'], 'readwrite')
    await Promise.all([
      tx.objectStore('facts').delete('recording'),
      tx.objectStore('actions').clear(),
      tx.objectStore('shots').clear(),
      tx.objectStore('presses').clear(),
      tx.done,
    ])
  },
}
