import { expect, it } from 'vitest'
import { CHANGE_KINDS } from './changing/changeKinds'
import type { ChangeType } from './changing/changes'
import type { Field } from './fields'
import { ofFirst, PLAIN } from './fields'
import { GUIDE_FACTS } from './guideFacts'
import { GUIDE_ITEMS } from './guideItems'
import { STEP_FIELDS } from './stepFields'

// What is checked here is checked by the compiler: a line that compiles in spite of `@ts-expect-error` is an error.

const { copy: _copy, ...withoutCopy } = PLAIN
// @ts-expect-error a field of a step that does not say how it is copied
export const forgetful: Field<string> = { ...withoutCopy, join: ofFirst }
// @ts-expect-error a field that `set-step` sets, said to be changed otherwise
export const contrary: typeof STEP_FIELDS.flow = { ...STEP_FIELDS.flow, changedBy: 'own' }
const { flow: _flow, ...withoutFlow } = STEP_FIELDS
// @ts-expect-error a field of a step of which nothing is said
export const fewerFields: typeof STEP_FIELDS = withoutFlow

const { silence: _silence, ...withoutSilence } = CHANGE_KINDS
// @ts-expect-error a kind of change of which nothing is said
export const fewerChanges: { [T in ChangeType]: unknown } = withoutSilence
const { targets: _targets, ...withoutTargets } = CHANGE_KINDS['set-step']
// @ts-expect-error a kind of change that does not say what it rewrites
export const vagueChange: (typeof CHANGE_KINDS)['set-step'] = withoutTargets

const { ready: _ready, ...unready } = GUIDE_ITEMS.section
// @ts-expect-error a kind of item that does not say what readers get of it
export const vagueItem: (typeof GUIDE_ITEMS)['section'] = unready
const { texts: _texts, ...wordless } = GUIDE_FACTS.closing
// @ts-expect-error a fact that does not say which texts are in it
export const wordlessFact: (typeof GUIDE_FACTS)['closing'] = wordless

it('members that forget a part do not compile', () => expect(forgetful.copy).toBe(undefined))
