import { linesOf, originOf, tidy, type RawAction } from '@jackdaw/core/recording'
import type { Shown, ToPage } from '../shared/messages'
import { writeStandingOrders } from '../shared/standingOrders'
import { kept } from './store'
import { within } from './within'

/** Longer than pages are given to tell the last that they know. */
const HEARD_WITHIN_MS = 1_000
const ordered = async (): Promise<RawAction[]> => (await kept.actions()).filter((each) => !each.dropped).map((each) => each.action)

/** What the bar and the panel show now: steps are counted by the same rules that will write them. */
export async function shownNow(): Promise<Shown> {
  const [recording, hiding] = await Promise.all([kept.recording(), kept.hiding()])
  if (!recording) return { status: 'idle', steps: 0, last: '', lastAt: 0, unsent: 0, trouble: '', noTarget: false, refused: 0, hiding }
  const all = await kept.actions()
  const actions = all.filter((each) => !each.dropped).map((each) => each.action)
  const lines = linesOf(actions, recording.language)
    .slice(1)
    .filter((line) => !line.startsWith('# '))
  return {
    status: recording.status,
    steps: lines.length,
    last: (lines.at(-1) ?? '').replace(/\*\*|`/g, ''),
    lastAt: Math.max(0, ...actions.map((action) => action.at)),
    unsent: all.filter((each) => !each.dropped && !each.sent && each.refused === undefined).length,
    trouble: recording.trouble,
    noTarget: recording.noTarget === true,
    refused: all.filter((each) => !each.dropped && each.refused !== undefined).length,
    hiding,
  }
}

/** The raw actions of the last step, which dropping it takes away. */
export async function lastStepIds(): Promise<string[]> {
  const actions = await ordered()
  const last = tidy(actions).at(-1)
  if (!last) return []
  const from = Math.min(...actions.filter((action) => last.from.includes(action.id)).map((action) => action.at))
  return actions.filter((action) => action.at >= from).map((action) => action.id)
}

const BADGES = { idle: '', recording: '●', paused: '❚❚', interrupted: '!', finishing: '↑' } as const

/** Writes down what scripts in pages need to know from their first moment on. */
async function standOrders(shown: Shown): Promise<void> {
  const [recording, pairing] = await Promise.all([kept.recording(), kept.pairing()])
  const runs = recording && pairing && (recording.status === 'recording' || recording.status === 'paused')
  if (!runs) return writeStandingOrders(null)
  const { id, names, secret, startedAt } = recording
  await writeStandingOrders({ recordingId: id, names, secret, startedAt, shown, home: originOf(pairing.origin) })
}

/** Tells all pages and the toolbar how things stand. */
export async function broadcast(): Promise<void> {
  const shown = await shownNow()
  await standOrders(shown)
  await chrome.action.setBadgeText({ text: shown.status === 'recording' ? String(shown.steps) : BADGES[shown.status] })
  await chrome.action.setBadgeBackgroundColor({ color: '#095660' })
  await toAllTabs({ tell: 'shown', shown })
}

/** Sends a message to every frame of every tab that listens. */
export async function toAllTabs(message: ToPage): Promise<void> {
  const tabs = await chrome.tabs.query({})
  await Promise.all(
    tabs.map(({ id }) =>
      id === undefined
        ? null
        : within(
            HEARD_WITHIN_MS,
            chrome.tabs.sendMessage(id, message).catch(() => null), // not listening
            null,
          ),
    ),
  )
}
