import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Step } from '../guides'
import { begin, recall, reduce, type PlayerEvent } from './player'
import { soloScreen } from './soloScreen'
import { safetyAt } from './safety'
import { acting, click, guideOf, playOf, says } from './testing'
import { Way } from '../ways'

const danger = { id: 'caution-1', level: 'danger' as const, words: 'The knife runs on', acknowledge: true }
const warned = (step: Step): Step => ({ ...step, cautions: [danger], signs: ['W024'] })
const [open, save, end] = [says('Open it'), warned(acting(says('Save'))), says('Close it')]
const guide = { ...guideOf(save, open, end), signs: ['M009' as const] }

type Doing = PlayerEvent extends infer E ? (E extends PlayerEvent ? Omit<E, 'at'> : never) : never
/** Everything that leads on, but for saying that the caution has been read. */
const ONWARD: Doing[] = [
  { type: 'next' },
  { type: 'confirm' },
  { type: 'played' },
  { type: 'play' },
  { type: 'show-me' },
  { type: 'act', act: click('element') },
  { type: 'act', act: { do: 'go-on' } },
  { type: 'go', to: open.id },
  { type: 'go', to: end.id },
  { type: 'go', to: 'end' },
  { type: 'finish' },
]

describe.each(Way.options)('a caution in %s', (way) => {
  const play = playOf(guide, way === 'solo')
  const first = begin(way, play, 0).state
  it('stops whatever is done until it is acknowledged', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...ONWARD), { maxLength: 12 }), (events) => {
        let state = first
        events.forEach((event, n) => (state = reduce(state, { ...event, at: n * 1_000 } as PlayerEvent, play).state))
        expect(state).toMatchObject({ at: save.id, results: {}, finished: false })
        expect(safetyAt(guide, play, state)?.waiting).toBe(true)
      }),
    )
  })
  it('is shown with the signs of the step and of the guide, told when it is acknowledged, and lets go on then', () => {
    expect(safetyAt(guide, play, first)).toEqual({ cautions: [danger], signs: ['W024'], guideSigns: ['M009'], waiting: true })
    const said = reduce(first, { type: 'acknowledge', at: 1 }, play)
    expect(said.effects).toEqual([{ do: 'tell', verb: 'step-acknowledged', stepId: save.id }])
    expect(safetyAt(guide, play, said.state)).toMatchObject({ cautions: [danger], waiting: false })
    const on = reduce(
      said.state,
      { ...(way === 'practise' || way === 'solo' ? { type: 'act', act: click('element') } : { type: 'next' }), at: 2 } as PlayerEvent,
      play,
    )
    expect(on.state.at).toBe(open.id)
    expect(safetyAt(guide, play, on.state)).toEqual({ cautions: [], signs: [], guideSigns: [], waiting: false })
  })
})

describe('cautions', () => {
  it('stand on the screen of a test before anything else', () => {
    const play = playOf(guide, true)
    const { screen } = soloScreen(guide, play, begin('solo', play, 0).state, {}, null)
    expect(screen).toMatchObject({ cautions: [danger], signs: ['W024'], guideSigns: ['M009'], waiting: true })
  })
  it('are not asked for in what was begun by the rules of before, so that it comes to the same', () => {
    const play = playOf(guide, true)
    const before = { ...begin('solo', play, 0).state, rules: 1 as const }
    expect(reduce(before, { type: 'act', act: click('element'), at: 1 }, play).state.at).toBe(open.id)
  })
})

it('begins at the first step when somebody has read all of it before', () => {
  const known = { lastStepId: end.id, seen: [save.id, open.id, end.id], acknowledged: [save.id], confirmed: [], finished: true }
  expect(recall(playOf(guide), known, 0).state).toMatchObject({ at: save.id, finished: true })
})
