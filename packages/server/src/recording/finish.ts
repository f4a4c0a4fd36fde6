import { type GuideId, known, nth, type PictureId } from '@jackdaw/core/shared'
import type { BodyOf } from '@jackdaw/contracts/endpoint'
import type { finishRecording } from '@jackdaw/contracts/recording'
import {
  draftFrom,
  textInPicture,
  type ActionId,
  type RawAction,
  type RecordingId,
  type ShotId,
  type StoredShot,
} from '@jackdaw/core/recording'
import { applyAll, emptyDocument, stepsOf, type Change, type GuideItem, type ItemId } from '@jackdaw/core/guides'
import { guideItem } from '@jackdaw/core/items'
import type { Db } from '../db'
import { adoptPicture, storePictureText } from '../files'
import { findDraft, insertGuide, saveDraftChanges } from '../guides'
import { fail, type Caller, type Parts } from '../http'
import type { Telling } from '../inbox'
import { deleteContents } from './cleanUp'
import type { Outcome } from './model'
import {
  actionsOf,
  deleteActions,
  deleteShots,
  findRecording,
  finishRow,
  forgetTextBoxes,
  noteShotPicture,
  shotsOf,
  type Recording,
  type ShotRow,
} from './store'

export type Finished = ({ done: true } & Outcome) | { done: false; missing: { actions: ActionId[]; shots: ShotId[] } }

const shotIdsOf = (action: RawAction): ShotId[] => [
  ...(action.shot ? [action.shot.id] : []),
  ...(action.otherShots ?? []).map((shot) => shot.id),
]

/** What is asked for at the end. */
type FinishWish = BodyOf<typeof finishRecording>

/** An action without pictures that nobody has any more. */
function withoutShots(action: RawAction, lost: ReadonlySet<ShotId>): RawAction {
  if (lost.size === 0 || !shotIdsOf(action).some((id) => lost.has(id))) return action
  const { shot, otherShots = [], ...rest } = action
  const [first, ...others] = [...(shot ? [shot] : []), ...otherShots].filter((each) => !lost.has(each.id))
  return { ...rest, ...(first ? { shot: first } : {}), ...(others.length > 0 ? { otherShots: others } : {}) }
}

/** Whose recording ends, how, and whether the guide that it was recorded for may be written. `now`: epoch milliseconds. */
type Finishing = {
  caller: Caller
  id: RecordingId
  wish: FinishWish
  mayEdit: (guideId: GuideId) => Promise<void>
  now: number
}
/** What becomes a draft: the recording with what is left of its actions and pictures. */
type Material = { caller: Caller; recording: Recording; actions: RawAction[]; shots: ShotRow[]; now: number }

/** Ends a recording: what was dropped is forgotten, what is left becomes a draft. When something has not arrived yet, nothing is written. */
export async function finish(parts: Parts, { caller, id, wish, mayEdit, now }: Finishing): Promise<Finished> {
  const { database, content } = parts
  const target = wish.ownGuide ? null : (await findRecording(database, id, caller.id))?.target
  if (target) await mayEdit(target.guideId)
  const dropped: ShotRow[] = []
  const finished = await database.transaction(async (tx): Promise<Finished> => {
    const recording = (await findRecording(tx, id, caller.id, true)) ?? fail('not-found')
    if (recording.outcome) return { done: true, ...recording.outcome }
    const asked = new Set(wish.actions)
    const [all, shots] = await Promise.all([actionsOf(tx, id), shotsOf(tx, id)])
    const here = new Set(shots.map((shot) => shot.shotId))
    const lost = new Set((wish.without ?? []).filter((shotId) => !here.has(shotId)))
    const actions = all.filter((action) => asked.has(action.id)).map((action) => withoutShots(action, lost))
    const known = new Set(actions.map((action) => action.id))
    const missing = {
      actions: [...asked].filter((each) => !known.has(each)),
      shots: [...new Set(actions.flatMap(shotIdsOf))].filter((each) => !here.has(each)),
    }
    if (missing.actions.length > 0 || missing.shots.length > 0) return { done: false, missing }
    if (actions.length === 0) return fail('invalid', 'Nothing was recorded, so there is no draft to write.')

    const used = new Set(actions.flatMap(shotIdsOf))
    dropped.push(...shots.filter((shot) => !used.has(shot.shotId)))
    await deleteActions(
      tx,
      id,
      all.filter((action) => !asked.has(action.id)).map((action) => action.id),
    )
    await deleteShots(
      tx,
      id,
      dropped.map((shot) => shot.shotId),
    )
    const outcome = await writeDraft(parts, tx, {
      caller,
      recording: wish.ownGuide ? { ...recording, target: null } : recording,
      actions,
      shots: shots.filter((shot) => used.has(shot.shotId)),
      now,
    })
    await finishRow(tx, id, outcome, now)
    return { done: true, ...outcome }
  })
  await deleteContents(database, content, dropped)
  return finished
}

async function writeDraft(parts: Parts, tx: Db, { caller, recording, actions, shots, now }: Material): Promise<Outcome> {
  const { newId } = parts
  const ids = new Map<ShotId, StoredShot>(
    shots.map((shot) => [shot.shotId, { id: newId<PictureId>(), widthPx: shot.widthPx, heightPx: shot.heightPx }]),
  )
  const draft = draftFrom(actions, { language: recording.language, newId, storedShot: (shotId) => ids.get(shotId) })
  if (draft.items.length === 0) return fail('invalid', 'What was done undid itself, so no step is left to write.')
  const steps = stepsOf({ ...emptyDocument('', 'how-to'), items: draft.items })
  // Where the guide has no room for the steps, they become a guide of their own: nothing that was recorded is lost.
  const target = recording.target && (await hasRoomFor(tx, recording.target.guideId, draft.items)) ? recording.target : null
  const guideId = target?.guideId ?? newId<GuideId>()
  if (!target)
    await insertGuide(tx, {
      id: guideId,
      document: { ...emptyDocument(draft.title, 'how-to'), language: recording.language, system: draft.system, items: draft.items },
      ownerId: caller.id,
      folderId: null,
      now,
    })
  for (const shot of shots) {
    const pictureId = known(ids, shot.shotId).id
    await adoptPicture(tx, shot, { id: pictureId, item: guideItem(guideId), by: caller.id, now })
    await noteShotPicture(tx, recording.id, shot.shotId, pictureId)
  }
  for (const action of actions) {
    const stored = action.shot && ids.get(action.shot.id)
    if (stored) await storePictureText(tx, stored.id, textInPicture(action, stored))
  }
  await forgetTextBoxes(tx, recording.id)
  if (target) await insertInto(tx, parts, { caller, guideId, after: target.after, items: draft.items, now })
  return {
    guideId,
    steps: steps.length,
    unsure: steps.filter((step) => step.check).length,
    firstStep: steps.find((step) => step.check)?.id ?? steps[0]?.id ?? null,
  }
}

async function hasRoomFor(tx: Db, guideId: GuideId, items: readonly GuideItem[]): Promise<boolean> {
  const draft = (await findDraft(tx, guideId, true)) ?? fail('not-found')
  return applyAll(insertItems(items, null), draft.document).limit === null
}

const insertItems = (items: readonly GuideItem[], after: string | null): Change[] =>
  items.map((item, i): Change => ({ type: 'insert-item', item, after: (i === 0 ? after : nth(items, i - 1).id) as ItemId | null }))

/** Puts the steps into an existing guide, as changes like any author's. A place that is gone meanwhile means the end. */
async function insertInto(
  tx: Db,
  telling: Telling,
  {
    caller,
    guideId,
    after,
    items,
    now,
  }: { caller: Caller; guideId: GuideId; after: string | null; items: readonly GuideItem[]; now: number },
): Promise<void> {
  const draft = (await findDraft(tx, guideId, true)) ?? fail('not-found')
  const place =
    after !== null && !draft.document.items.some((item) => item.id === after) ? (draft.document.items.at(-1)?.id ?? null) : after
  const changes = insertItems(items, place)
  await saveDraftChanges(tx, telling, caller, guideId, { baseRevision: draft.revision, changeSetId: telling.newId(), changes }, now)
}
