import { ActionId, MAX_ACTIONS, RawAction, RecordingId, SentenceLanguage, ShotId } from '@jackdaw/core/recording'
import { GuideId, idOf } from '@jackdaw/core/shared'
import * as z from 'zod/mini'
import { endpoint } from './endpoint'

/** Id of a recorder that is paired with a person's account. */
export const RecorderId = idOf('recorder')
/** Read by {@link RecorderId}. */
export type RecorderId = z.infer<typeof RecorderId>

/** A code for pairing: eight signs that nobody mixes up, shown in two halves. */
export const PairingCode = z.string().check(
  z.overwrite((text: string) => text.toUpperCase().replace(/[\s-]/g, '')),
  z.regex(/^[2-9A-HJKMNP-Z]{8}$/, 'The code has eight letters and digits, as Jackdaw shows it'),
)

/** Gives a new code for pairing a browser with one's account; codes given before are void. */
export const newPairingCode = endpoint({
  method: 'post',
  path: '/api/recorders/code',
  access: { may: 'recording.make' },
  response: z.object({ code: z.string(), validUntil: z.int() }),
  problems: [],
})
/** A browser that records in a person's name. */
export const Recorder = z.object({ id: RecorderId, name: z.string(), pairedAt: z.int(), seenAt: z.int() })
/** Read by {@link Recorder}. */
export type Recorder = z.infer<typeof Recorder>
/** One's own paired browsers. */
export const listRecorders = endpoint({
  method: 'get',
  path: '/api/recorders',
  access: { may: 'recording.make' },
  response: z.array(Recorder),
  problems: [],
})
/** Ends a pairing: that browser can send nothing any more. */
export const revokeRecorder = endpoint({
  method: 'delete',
  path: '/api/recorders/:id',
  access: { may: 'recording.make' },
  params: z.object({ id: RecorderId }),
  problems: ['not-found'],
})
/** The extension as a zip, made for this server's address. */
export const getRecorderZip = endpoint({
  method: 'get',
  path: '/recorder/jackdaw-recorder.zip',
  access: { may: 'recording.make' },
  file: true,
  problems: ['not-found'],
})

const token = z.string().check(z.minLength(40), z.maxLength(80))
/** Who a recorder records for. */
export const PairedWith = z.object({ person: z.string(), company: z.string() })
/** Read by {@link PairedWith}. */
export type PairedWith = z.infer<typeof PairedWith>

/** Pairs a browser. The token that comes back is all that it ever shows again. */
export const pairRecorder = endpoint({
  method: 'post',
  path: '/api/recorder/pairing',
  access: 'anyone',
  body: z.object({ code: PairingCode, name: z.string().check(z.trim(), z.minLength(1), z.maxLength(80)) }),
  response: z.extend(PairedWith, { token }),
  problems: ['wrong-code', 'too-many-tries', 'invalid'],
})
/** Whether the pairing still holds. */
export const getPairing = endpoint({
  method: 'get',
  path: '/api/recorder/pairing',
  access: { may: 'recording.make', by: 'recorder' },
  response: PairedWith,
  problems: ['not-paired'],
})
/** Ends the pairing from the browser's side. */
export const endPairing = endpoint({
  method: 'delete',
  path: '/api/recorder/pairing',
  access: { may: 'recording.make', by: 'recorder' },
  problems: ['not-paired'],
})

/** Where the steps go: into a new guide, or into an existing one after an item (`null`: at the beginning). */
export const RecordingTarget = z.nullable(
  z.object({ guideId: GuideId, after: z.nullable(z.string().check(z.regex(/^[A-Za-z0-9_-]{21}$/))) }),
)
/** Read by {@link RecordingTarget}. */
export type RecordingTarget = z.infer<typeof RecordingTarget>

const recording = z.object({ id: RecordingId })

/** Begins a recording; beginning the same one again changes nothing. `names` lets the browser ask whether words may be the name of a person
 * in the directory, without knowing the directory. */
export const startRecording = endpoint({
  method: 'post',
  path: '/api/recorder/recordings',
  access: { may: 'recording.make', by: 'recorder' },
  body: z.object({ id: RecordingId, language: SentenceLanguage, target: RecordingTarget }),
  response: z.object({ names: z.object({ salt: z.string(), marks: z.array(z.int()) }) }),
  problems: ['not-paired', 'not-found', 'not-allowed', 'item-archived', 'invalid'],
})

/** Most pictures that a recording may hold. */
export const MAX_SHOTS = MAX_ACTIONS * 2
/** Largest picture of a recording, in bytes. */
export const MAX_SHOT_BYTES = 12 * 1024 * 1024
/** Stores a picture of a recording; sending it again changes nothing. */
export const putShot = endpoint({
  method: 'put',
  path: '/api/recorder/recordings/:id/pictures/:shotId',
  access: { may: 'recording.make', by: 'recorder' },
  params: z.object({ id: RecordingId, shotId: ShotId }),
  bytes: { types: ['image/*'], maxBytes: MAX_SHOT_BYTES },
  response: z.object({ widthPx: z.int(), heightPx: z.int() }),
  problems: ['not-paired', 'not-found', 'recording-over', 'recording-full', 'not-a-picture', 'too-large', 'wrong-type'],
})
/** Most actions sent at once. */
export const MAX_ACTIONS_AT_ONCE = 25
/** Stores actions; those that are known already stay as they are. */
export const putActions = endpoint({
  method: 'post',
  path: '/api/recorder/recordings/:id/actions',
  access: { may: 'recording.make', by: 'recorder' },
  params: recording,
  body: z.object({ actions: z.array(RawAction).check(z.minLength(1), z.maxLength(MAX_ACTIONS_AT_ONCE)) }),
  maxBytes: 4 * 1024 * 1024,
  response: z.object({ kept: z.int() }),
  problems: ['not-paired', 'not-found', 'recording-over', 'recording-full', 'invalid', 'too-large'],
})
/** Ends a recording and writes the draft from the actions named; the others are forgotten. What is missing is told and nothing is written,
 * so that it can be sent and the end be asked for again. `without` are pictures that the recorder has no more: their steps have none.
 * `ownGuide`: it becomes a guide of its own, whatever guide it was recorded for. Ending it twice gives the same guide. */
export const finishRecording = endpoint({
  method: 'post',
  path: '/api/recorder/recordings/:id/finish',
  access: { may: 'recording.make', by: 'recorder' },
  params: recording,
  body: z.object({
    actions: z.array(ActionId).check(z.maxLength(MAX_ACTIONS)),
    without: z.optional(z.array(ShotId).check(z.maxLength(MAX_SHOTS))),
    ownGuide: z.optional(z.boolean()),
  }),
  response: z.discriminatedUnion('done', [
    z.object({ done: z.literal(true), guideId: GuideId, steps: z.int(), unsure: z.int(), firstStep: z.nullable(z.string()) }),
    z.object({ done: z.literal(false), missing: z.object({ actions: z.array(ActionId), shots: z.array(ShotId) }) }),
  ]),
  problems: ['not-paired', 'not-found', 'not-allowed', 'item-archived', 'invalid'],
})
/** Throws a recording away with everything that was sent. */
export const discardRecording = endpoint({
  method: 'delete',
  path: '/api/recorder/recordings/:id',
  access: { may: 'recording.make', by: 'recorder' },
  params: recording,
  problems: ['not-paired', 'not-found', 'recording-over'],
})

/** Id of the extension in every browser: given by the public key in its manifest. Jackdaw's pages speak to it by this id. */
export const RECORDER_EXTENSION_ID = 'emplnlgjbdhpglhjeoaojcdghpiahedm'

/** What Jackdaw's pages ask of the extension. */
export const AskRecorder = z.discriminatedUnion('ask', [
  z.object({ ask: z.literal('hello') }),
  z.object({ ask: z.literal('pair'), code: z.string().check(z.maxLength(20)) }),
  z.object({
    ask: z.literal('record'),
    address: z.string().check(z.maxLength(2_000)),
    language: SentenceLanguage,
    target: RecordingTarget,
  }),
])
/** Read by {@link AskRecorder}. */
export type AskRecorder = z.infer<typeof AskRecorder>
/** What the extension answers. */
export const RecorderAnswer = z.discriminatedUnion('ok', [
  z.object({ ok: z.literal(true), version: z.string(), paired: z.boolean(), recording: z.boolean() }),
  z.object({ ok: z.literal(false), why: z.string() }),
])
/** Read by {@link RecorderAnswer}. */
export type RecorderAnswer = z.infer<typeof RecorderAnswer>
