import { finishRecording, MAX_ACTIONS_AT_ONCE, putActions, putShot } from '@jackdaw/contracts/recording'
import type { ActionId, RecordingId, ShotId } from '@jackdaw/core/recording'
import { callServer, Refusal } from './server'
import { kept, type KeptAction, type KeptShot, type Pairing, type Recording } from './store'

const shotIdsOf = ({ action }: KeptAction): string[] => [
  ...(action.shot ? [action.shot.id] : []),
  ...(action.otherShots ?? []).map((shot) => shot.id),
]

/** What Jackdaw does not have yet. */
export async function unsent(): Promise<{ actions: KeptAction[]; shots: KeptShot[] }> {
  const actions = (await kept.actions()).filter((each) => !each.dropped && each.refused === undefined)
  const wanted = new Set(actions.flatMap(shotIdsOf))
  return {
    actions: actions.filter((each) => !each.sent),
    shots: (await kept.shots()).filter((shot) => !shot.sent && !shot.refused && wanted.has(shot.id)),
  }
}

/** Boxes of text make some actions large; a request that the server would not take is never made. */
const MOST_AT_ONCE_CHARS = 1_500_000
function inPortions(actions: readonly KeptAction[]): KeptAction[][] {
  const portions: KeptAction[][] = []
  let chars = 0
  for (const each of actions) {
    const size = JSON.stringify(each.action).length
    const last = portions.at(-1)
    if (last && last.length < MAX_ACTIONS_AT_ONCE && chars + size < MOST_AT_ONCE_CHARS) last.push(each)
    else portions.push([each])
    chars = last === portions.at(-1) ? chars + size : size
  }
  return portions
}

/** Whether Jackdaw will not take this one thing, however often it is sent. */
const isForGood = (error: unknown): error is Refusal =>
  error instanceof Refusal &&
  ['invalid', 'too-large', 'not-a-picture', 'wrong-type', 'bad-request', 'recording-full'].includes(error.code || byStatus(error.status))
const byStatus = (status: number): string => (status === 413 ? 'too-large' : '')

async function sendShot(pairing: Pairing, id: RecordingId, shot: KeptShot): Promise<void> {
  try {
    await callServer(pairing, putShot, { params: { id, shotId: shot.id as ShotId }, bytes: shot.blob })
    await kept.changeShots([shot.id], { sent: true })
  } catch (error) {
    if (!isForGood(error)) throw error
    await kept.changeShots([shot.id], { refused: true })
  }
}

/** Sends actions together; where one of them is refused, each by itself, so that only that one is left out. */
async function sendActions(pairing: Pairing, id: RecordingId, some: readonly KeptAction[]): Promise<void> {
  const ids = some.map((each) => each.id)
  try {
    await callServer(pairing, putActions, { params: { id }, body: { actions: some.map((each) => each.action) } })
    await kept.changeActions(ids, { sent: true })
  } catch (error) {
    if (!isForGood(error)) throw error
    const [first] = some
    if (some.length > 1) for (const each of some) await sendActions(pairing, id, [each])
    else if (first?.action.textBoxes && first.action.textBoxes.length > 0)
      await sendActions(pairing, id, [{ ...first, action: { ...first.action, textBoxes: [] } }])
    else await kept.changeActions(ids, { refused: error.message })
  }
}

/** Sends what has not been sent: pictures first, so that no action ever stands there without its own. */
export async function sendAll(pairing: Pairing, recording: Recording): Promise<void> {
  const id = recording.id as RecordingId
  const { actions, shots } = await unsent()
  for (const shot of shots) await sendShot(pairing, id, shot)
  for (const some of inPortions(actions)) await sendActions(pairing, id, some)
}

/** Sends the rest and has the draft written. What Jackdaw misses is sent again; a picture that is here no more is done without.
 * @returns the guide, and the step to begin with */
export async function sendAndFinish(pairing: Pairing, recording: Recording): Promise<{ guideId: string; firstStep: string | null }> {
  const id = recording.id as RecordingId
  for (let tries = 0; tries < 4; tries++) {
    await sendAll(pairing, recording)
    const actions = (await kept.actions()).filter((each) => !each.dropped && each.refused === undefined)
    const here = new Set((await kept.shots()).filter((shot) => !shot.refused).map((shot) => shot.id))
    const without = actions.flatMap(shotIdsOf).filter((shotId) => !here.has(shotId)) as ShotId[]
    const answer = await callServer(pairing, finishRecording, {
      params: { id },
      body: {
        actions: actions.map((each) => each.id as ActionId),
        ...(without.length > 0 ? { without } : {}),
        ...(recording.ownGuide ? { ownGuide: true } : {}),
      },
    })
    if (answer.done) return answer
    await kept.changeActions(answer.missing.actions, { sent: false })
    await kept.changeShots(answer.missing.shots, { sent: false })
  }
  throw new Refusal('', 409, 'Jackdaw still misses a part of the recording. It is kept here and sent again.')
}
