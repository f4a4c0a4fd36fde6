import { describe, expect, it } from 'vitest'
import { importMarkdown } from '../exchange'
import { plainText, type GuideItem } from '../guides'
import { seededIds } from '../shared'
import { recordingAsMarkdown } from './asMarkdown'
import { draftFrom } from './draftFrom'
import type { RawAction } from './rawAction'
import { aPage, anAction, anElement } from './testing'

const actions: RawAction[] = [
  anAction('page', undefined, { opened: 'typed' }),
  anAction('type', anElement('textbox', 'Note *for* [us]'), { value: 'ring `first` _now_ # 3' }),
  anAction('choose', anElement('combobox', 'Herb'), { value: '1. Sage <b>' }),
  anAction('key', undefined, { key: 'Ctrl+S' }),
  anAction('click', anElement('button', 'Save | order'), {
    page: aPage('https://other.example/x', { application: 'Other', heading: 'X' }),
  }),
  anAction('click', anElement('button', 'Close'), {
    shot: undefined,
    page: aPage('https://other.example/x', { application: 'Other', heading: 'X' }),
  }),
]

describe('a recording as a file', () => {
  it('becomes the same draft when it is imported, with its pictures', () => {
    const text = recordingAsMarkdown(actions, 'en', (id) => `pictures/${id}.webp`)
    const imported = importMarkdown(text, 'recording.md', seededIds(3))
    if (!imported.ok) throw new Error(imported.words)
    const { document, pictures, notPlaced } = imported.draft
    const lines = (items: readonly GuideItem[]) =>
      items.map((item) => (item.kind === 'step' ? plainText(item.body) : item.kind === 'section' ? `# ${item.title}` : item.kind))
    const draft = draftFrom(actions, { language: 'en', newId: seededIds(5), storedShot: () => undefined })
    expect([document.title, ...lines(document.items)]).toEqual([draft.title, ...lines(draft.items)])
    // Of the words only the paths of the pictures have no place in the draft.
    expect(notPlaced.every(({ text }) => text.startsWith('!['))).toBe(true)
    expect(pictures.map((picture) => picture.path)).toEqual(actions.flatMap(({ shot }) => (shot ? [`pictures/${shot.id}.webp`] : [])))
  })
})
