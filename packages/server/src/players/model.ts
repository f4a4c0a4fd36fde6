import type { SoloResult } from '@jackdaw/contracts/players'
import type { ItemId, ItemKind } from '@jackdaw/core/items'
import type { PlayerEvent, PlayerState, Verdict } from '@jackdaw/core/players'
import type { AttemptId, GuideId, PersonId, StepId } from '@jackdaw/core/shared'
import type { Way } from '@jackdaw/core/ways'
import { Model, type CreationOptional, type InferAttributes, type InferCreationAttributes } from 'sequelize'
import { big, instant, json, key, optional, table, text, truth, whole } from '../db'

/** An attempt that is judged. Its state is the server's own; what came of it is a fact that is never computed anew. */
export class AttemptRow extends Model<InferAttributes<AttemptRow>, InferCreationAttributes<AttemptRow>> {
  declare id: AttemptId
  declare itemKind: ItemKind
  declare itemId: ItemId
  declare edition: number
  declare personId: PersonId
  declare number: number
  declare rules: number
  declare language: string
  declare openedAt: number
  declare expiresAt: number
  declare acts: number
  declare state: PlayerState
  declare endedAt: CreationOptional<number | null>
  declare ended: CreationOptional<SoloResult['ended'] | null>
  declare percent: CreationOptional<number | null>
  declare passed: CreationOptional<boolean | null>
  declare passMark: number
  declare judged: CreationOptional<number | null>
  declare rightFirst: CreationOptional<number | null>
  declare tries: CreationOptional<number | null>
  declare activeMs: CreationOptional<number | null>
  declare missed: CreationOptional<SoloResult['missed'] | null>
}
export const ATTEMPT = table('attempt', AttemptRow, () => ({
  id: key(text()),
  itemKind: text(),
  itemId: text(),
  edition: whole(),
  personId: text(),
  number: whole(),
  rules: whole(),
  language: text(),
  openedAt: instant(),
  expiresAt: instant(),
  acts: whole(),
  state: json(),
  endedAt: optional(instant()),
  ended: optional(text()),
  percent: optional(whole()),
  passed: optional(truth()),
  passMark: whole(),
  judged: optional(whole()),
  rightFirst: optional(whole()),
  tries: optional(whole()),
  activeMs: optional(whole()),
  missed: optional(json()),
}))

/** An act of an attempt, from which its state can be had again. */
export class AttemptActRow extends Model<InferAttributes<AttemptActRow>, InferCreationAttributes<AttemptActRow>> {
  declare attemptId: AttemptId
  declare n: number
  declare actId: string
  declare event: PlayerEvent
  declare verdict: Verdict | null
  declare actedAt: number
}
export const ATTEMPT_ACT = table('attempt_act', AttemptActRow, () => ({
  attemptId: key(text()),
  n: key(whole()),
  actId: text(),
  event: json(),
  verdict: optional(json()),
  actedAt: instant(),
}))

/** Where a person is in a guide that they watch or practise, as their browser tells it. */
export class PlayRow extends Model<InferAttributes<PlayRow>, InferCreationAttributes<PlayRow>> {
  declare personId: PersonId
  declare guideId: GuideId
  declare way: Way
  declare edition: number
  declare playId: string
  declare state: unknown
  declare savedAt: number
}
export const PLAY = table('play', PlayRow, () => ({
  personId: key(text()),
  guideId: key(text()),
  way: key(text()),
  edition: whole(),
  playId: text(),
  state: json(),
  savedAt: instant(),
}))

/** How often somebody has begun and finished a guide in a way other than reading, and what it took: counted from events. */
export class WayUseRow extends Model<InferAttributes<WayUseRow>, InferCreationAttributes<WayUseRow>> {
  declare guideId: GuideId
  declare personId: PersonId
  declare way: Exclude<Way, 'read'>
  declare firstAt: number
  declare lastAt: number
  declare activeMs: number
  declare begun: number
  declare finished: number
  declare tries: number
  declare helped: number
  declare bestPercent: number | null
  declare passedEdition: number | null
  declare passedAt: number | null
}
export const WAY_USE = table('way_use', WayUseRow, () => ({
  guideId: key(text()),
  personId: key(text()),
  way: key(text()),
  firstAt: instant(),
  lastAt: instant(),
  activeMs: big(),
  begun: whole(),
  finished: whole(),
  tries: whole(),
  helped: whole(),
  bestPercent: optional(whole()),
  passedEdition: optional(whole()),
  passedAt: optional(instant()),
}))

/** How a step went for somebody in such a way: counted from events. */
export class WayStepRow extends Model<InferAttributes<WayStepRow>, InferCreationAttributes<WayStepRow>> {
  declare guideId: GuideId
  declare personId: PersonId
  declare way: Way
  declare stepId: StepId
  declare times: number
  declare rightFirst: number
  declare tries: number
  declare helped: number
  declare failed: number
}
export const WAY_STEP = table('way_step', WayStepRow, () => ({
  guideId: key(text()),
  personId: key(text()),
  way: key(text()),
  stepId: key(text()),
  times: whole(),
  rightFirst: whole(),
  tries: whole(),
  helped: whole(),
  failed: whole(),
}))

/** That somebody has acknowledged the cautions of a step in some way: counted from events. */
export class AcknowledgementRow extends Model<InferAttributes<AcknowledgementRow>, InferCreationAttributes<AcknowledgementRow>> {
  declare guideId: GuideId
  declare personId: PersonId
  declare stepId: StepId
  declare way: Way
  declare edition: number
  declare firstAt: number
  declare lastAt: number
  declare times: number
  declare attested: boolean
}
export const ACKNOWLEDGEMENT = table('acknowledgement', AcknowledgementRow, () => ({
  guideId: key(text()),
  personId: key(text()),
  stepId: key(text()),
  way: key(text()),
  edition: whole(),
  firstAt: instant(),
  lastAt: instant(),
  times: whole(),
  attested: truth(),
}))
