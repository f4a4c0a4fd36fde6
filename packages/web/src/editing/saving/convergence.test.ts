import { plainText, richTextOf, type Change, type GuideDocument } from '@jackdaw/core/guides'
import type { SectionId, StepId } from '@jackdaw/core/shared'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { aBrowser, aServer, ids } from './testing'

/** What one of two authors, or their network, may do. Places are counted in the list of items as it is then. */
const anAct = fc.oneof(
  fc.record({ what: fc.constant('write' as const), at: fc.nat(9), text: fc.string({ maxLength: 8 }) }),
  fc.record({ what: fc.constantFrom('add' as const, 'head' as const, 'remove' as const, 'undo' as const, 'redo' as const), at: fc.nat(9) }),
  fc.record({ what: fc.constant('move' as const), at: fc.nat(9), to: fc.nat(9) }),
  fc.record({ what: fc.constant('title' as const), text: fc.string({ maxLength: 8 }) }),
  fc.record({ what: fc.constantFrom('cut before' as const, 'cut after' as const, 'join' as const, 'settle' as const, 'listen' as const) }),
)
type Act = typeof anAct extends fc.Arbitrary<infer A> ? A : never
type Browser = ReturnType<typeof aBrowser> & { net: { cut: null | 'before' | 'after' } }

function changeOf(act: Act, document: GuideDocument): Change | null {
  const { items } = document
  const item = 'at' in act ? items[act.at % Math.max(1, items.length)] : undefined
  switch (act.what) {
    case 'title':
      return { type: 'set-facts', facts: { title: act.text } }
    case 'add':
      return {
        type: 'insert-item',
        item: { kind: 'step', id: ids() as StepId, body: richTextOf('new'), pictures: [] },
        after: item?.id ?? null,
      }
    case 'head':
      return { type: 'insert-item', item: { kind: 'section', id: ids() as SectionId, title: 'head' }, after: item?.id ?? null }
    case 'remove':
      return item ? { type: 'remove-item', itemId: item.id } : null
    case 'move':
      return item ? { type: 'move-item', itemId: item.id, after: items[act.to % items.length]?.id ?? null } : null
    case 'write':
      if (!item) return null
      return item.kind === 'step'
        ? { type: 'set-step', stepId: item.id, fields: { body: richTextOf(act.text) } }
        : item.kind === 'section'
          ? { type: 'set-section-title', sectionId: item.id, title: act.text }
          : { type: 'set-quiz', guideQuizId: item.id, quizId: item.quizId, need: act.text.length % 2 === 0 ? 'passed' : 'nothing' }
    default:
      return null
  }
}

async function perform(act: Act, browser: Browser, server: ReturnType<typeof aServer>): Promise<void> {
  const { session, net } = browser
  if (act.what === 'undo') return session.undo()
  if (act.what === 'redo') return session.redo()
  if (act.what === 'cut before') net.cut = 'before'
  else if (act.what === 'cut after') net.cut = 'after'
  else if (act.what === 'join') net.cut = null
  else if (act.what === 'settle') await browser.settle()
  else if (act.what === 'listen') {
    const { revision, saved } = server.since(session.snapshot().revision)
    session.receive(revision, saved)
  } else {
    const change = changeOf(act, session.snapshot().document)
    if (change) session.change(change)
  }
}

/** Brings everything home: networks joined, all sent, all heard. */
async function comeToRest(browsers: readonly Browser[], server: ReturnType<typeof aServer>): Promise<void> {
  for (const browser of browsers) browser.net.cut = null
  for (let round = 0; round < 3; round++)
    for (const browser of browsers) {
      await browser.settle()
      const { revision, saved } = server.since(browser.session.snapshot().revision)
      browser.session.receive(revision, saved)
    }
}

const says = (change: Change, stepId: string, text: string): boolean =>
  change.type === 'set-step' && change.stepId === stepId && change.fields.body !== undefined && plainText(change.fields.body) === text

describe('two authors on one guide, whatever they and their networks do', () => {
  it('see the same in the end, and what the server has', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.tuple(fc.boolean(), anAct), { maxLength: 30 }), async (acts) => {
        const server = aServer()
        const [ann, ben] = [0, 1].map((): Browser => {
          const net = { cut: null }
          return { ...aBrowser(server, net), net }
        }) as [Browser, Browser]
        for (const [anns, act] of acts) await perform(act, anns ? ann : ben, server)
        await comeToRest([ann, ben], server)
        for (const { session, kept } of [ann, ben]) {
          expect(session.snapshot().document).toEqual(server.document)
          expect(session.snapshot().save).toBe('saved')
          expect(kept.pending).toBeNull()
        }
      }),
      { numRuns: 120 },
    )
  }, 120_000)
  it('lose no words: the last thing that each wrote in a step is in the guide or handed back', async () => {
    const words = fc.record({ what: fc.constant('write' as const), at: fc.nat(1), text: fc.constantFrom('red', 'blue', 'green') })
    const nets = fc.record({ what: fc.constantFrom('cut before' as const, 'cut after' as const, 'join' as const, 'settle' as const) })
    await fc.assert(
      fc.asyncProperty(fc.array(fc.tuple(fc.boolean(), fc.oneof(words, nets)), { maxLength: 20 }), async (acts) => {
        const server = aServer()
        const browsers = [0, 1].map((): Browser => {
          const net = { cut: null }
          return { ...aBrowser(server, net), net }
        })
        const last = new Map<string, string>()
        for (const [first, act] of acts) {
          const browser = browsers[first ? 0 : 1]!
          const change = changeOf(act as Act, browser.session.snapshot().document)
          if (change?.type === 'set-step' && change.fields.body)
            last.set(`${first ? 0 : 1} ${change.stepId}`, plainText(change.fields.body))
          await perform(act as Act, browser, server)
        }
        await comeToRest(browsers, server)
        for (const [key, text] of last) {
          const [who, stepId] = key.split(' ') as [string, string]
          const history = server.since(0).saved.flatMap((each) => each.changes)
          const landed = history.some((change) => says(change, stepId, text))
          const returned = browsers[Number(who)]!.session.snapshot().conflicts.some(({ mine }) => says(mine, stepId, text))
          const stands = server.document.items.some((item) => item.kind === 'step' && item.id === stepId && plainText(item.body) === text)
          expect([key, text, landed || returned || stands]).toEqual([key, text, true])
        }
      }),
      { numRuns: 120 },
    )
  }, 120_000)
})
