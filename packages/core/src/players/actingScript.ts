import { scriptOf, type Script, type ScriptStep } from '../flow'
import type { GuideDocument } from '../guides'
import { policyOf, WAYS, type Way } from '../ways'
import { doingOf, type Doing } from './doing'

/** A step as it is played on its pictures: with what is done there. */
export type ActingStep = ScriptStep & { doing: Doing }
/** The script of a guide that is played on its pictures. */
export type ActingScript = Script<ActingStep>

/** Makes the script of a document for playing it.
 * @param way  in which it is used: where that is judged, the words for that are what is asked for
 * @param only leaves these steps only, without branches; for practising what went wrong */
export const actingScriptOf = (document: GuideDocument, way: Way = 'read', only: readonly string[] | null = null): ActingScript =>
  scriptOf(
    document,
    (step) => ({ doing: step ? doingOf(step, document, WAYS[way].judged) : { kind: 'nothing' } }),
    policyOf(way).quizzes,
    only,
  )
