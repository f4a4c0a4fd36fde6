import { describe, expect, it } from 'vitest'
import type { GuideId } from '../shared'
import { DUE_SOON_MS, ITEM_KINDS, ItemRef, guideItem, pathOfItem, stateOf, type ItemFacts, type ItemKind, type KindOfItem } from './index'

const { done: _done, ...withoutDone } = ITEM_KINDS.guide
// @ts-expect-error a kind of item that does not say when it is done
export const endless: KindOfItem = withoutDone
const { guide: _guide, ...none } = ITEM_KINDS
// @ts-expect-error a kind of item of which nothing is said
export const fewer: Record<ItemKind, KindOfItem> = none

const facts = (more: Partial<ItemFacts>): ItemFacts => ({
  finishedEdition: null,
  attestedEdition: null,
  requiredEdition: 1,
  claimSuffices: true,
  startedAt: null,
  dueAt: null,
  waivedAt: null,
  roundFrom: null,
  lastFinishedAt: null,
  lastAttestedAt: null,
  lastAt: null,
  handedInAt: null,
  answeredAt: null,
  ...more,
})
const now = Date.parse('2026-03-10T12:00:00Z')

describe('the state of an item', () => {
  it.each<[string, Partial<ItemFacts>, string]>([
    ['nothing happened', {}, 'not-started'],
    ['it was opened', { startedAt: 1 }, 'in-progress'],
    ['it was finished', { startedAt: 1, finishedEdition: 1, dueAt: now - 1 }, 'done'],
    ['it was only claimed, which does not suffice', { startedAt: 1, finishedEdition: 1, claimSuffices: false }, 'out-of-date'],
    ['the server vouches for it', { startedAt: 1, finishedEdition: 2, attestedEdition: 1, claimSuffices: false }, 'done'],
    ['an older edition was finished that still counts', { finishedEdition: 1, requiredEdition: 1 }, 'done'],
    ['a newer edition must be read', { startedAt: 1, finishedEdition: 1, requiredEdition: 2 }, 'out-of-date'],
    ['they need not do it', { dueAt: now - 5, waivedAt: 1 }, 'waived'],
    ['it was done although they need not', { finishedEdition: 1, waivedAt: 1 }, 'done'],
    ['the due day is over', { dueAt: now }, 'late'],
    ['a new edition is overdue', { finishedEdition: 1, requiredEdition: 2, dueAt: now - 5 }, 'late'],
    ['it is due within three days', { startedAt: 1, dueAt: now + DUE_SOON_MS }, 'due-soon'],
    ['it is due later', { startedAt: 1, dueAt: now + DUE_SOON_MS + 1 }, 'in-progress'],
    [
      'it was finished in the round before',
      { startedAt: 1, lastAt: 5, finishedEdition: 1, lastFinishedAt: 5, roundFrom: 6 },
      'not-started',
    ],
    ['it was begun again in this round', { startedAt: 1, lastAt: 7, finishedEdition: 1, lastFinishedAt: 5, roundFrom: 6 }, 'in-progress'],
    ['it was handed in, past its due day', { startedAt: 1, lastAt: 5, dueAt: now - 1, handedInAt: 5 }, 'waiting'],
    ['it was sent back', { startedAt: 1, lastAt: 6, dueAt: now - 1, handedInAt: 5, answeredAt: 6 }, 'late'],
    ['it was handed in once more', { startedAt: 1, lastAt: 7, handedInAt: 7, answeredAt: 6 }, 'waiting'],
    [
      'it was handed in and confirmed',
      { finishedEdition: 1, attestedEdition: 1, claimSuffices: false, handedInAt: 5, answeredAt: 6 },
      'done',
    ],
    ['it was handed in in the round before', { startedAt: 1, lastAt: 5, handedInAt: 5, roundFrom: 6 }, 'not-started'],
    ['it was finished again in this round', { startedAt: 1, lastAt: 7, finishedEdition: 1, lastFinishedAt: 7, roundFrom: 6 }, 'done'],
    [
      'only a claim is of this round, which does not suffice',
      { claimSuffices: false, finishedEdition: 1, lastFinishedAt: 7, attestedEdition: 1, lastAttestedAt: 5, roundFrom: 6 },
      'not-started',
    ],
  ])('when %s', (_, more, expected) => expect(stateOf(facts(more), now)).toBe(expected))
})

describe('an item', () => {
  const id = 'g'.repeat(21) as GuideId
  it('is of a known kind, and opened where that kind says', () => {
    expect(ItemRef.parse({ kind: 'guide', id })).toEqual(guideItem(id))
    expect(ItemRef.safeParse({ kind: 'rumour', id }).success).toBe(false)
    expect(pathOfItem(guideItem(id))).toBe(`/guides/${id}`)
  })
})
