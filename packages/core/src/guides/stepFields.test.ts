import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { PictureId, seededIds, seededRandom, StepId } from '../shared'
import { oneOf, sitesOf, valueOf, type Making } from '../testing'
import { applyAll } from './changing/apply'
import { changesBetween } from './changing/changesBetween'
import { Section, Step, type GuideDocument, type GuideItem } from './document'
import { copyOfItem, GUIDE_ITEMS, mapItemPictures } from './guideItems'
import { stepShape, STEP_FIELDS } from './stepFields'
import { aDocument, aSection, aStep } from './testing'
import { changeTexts, textsOf } from './texts'
import { richTextOf } from './text/richTextOf'

const ids = seededIds(31)
const random = seededRandom(32)
const element = (pictureId: PictureId) => ({
  pictureId,
  rect: { x: 0, y: 0, width: 20, height: 10 },
  of: { widthPx: 90, heightPx: 90 },
  role: 'button',
  name: 'Save',
  frame: [],
  locators: [],
})
const [shot, other] = [ids(), ids()] as [PictureId, PictureId]
const next = aStep('Next')
/** A step in which every field that can be has a text. */
const full: Step = {
  ...aStep('Rinse the tray'),
  pictures: [
    {
      id: shot,
      alt: 'A tray',
      annotations: [
        { id: 'label-one', kind: 'label', at: { to: 'element', at: 'right', gapPx: 0 }, words: 'The tray', practiseWords: 'Which tray?' },
        { id: 'text-one', kind: 'text', at: { to: 'picture', at: 'top', gapPx: 0 }, words: 'Any tray' },
      ],
    },
  ],
  cautions: [
    { id: 'caution-one', level: 'warning', words: 'A hot tray', acknowledge: true },
    { id: 'caution-two', level: 'note', words: 'A wet tray', acknowledge: false },
  ],
  exercise: {
    task: { kind: 'pop-up', title: 'Tray?', words: 'Take a tray', buttons: [{ id: 'button-one', words: 'Take tray', right: true }] },
    message: 'Not this tray',
    options: ['Tray', 'Crate'],
    hint: 'Look for a tray',
    soloWords: 'Do the tray',
  },
  flow: { ask: 'Which tray?', choices: [{ id: 'choice-one', words: 'Tray 1', to: next.id }] },
  notReady: true,
  notReadyWhy: 'The tray is missing',
}
const document: GuideDocument = {
  ...aDocument(aSection('The tray'), full, next),
  title: 'Tray',
  summary: 'About a tray',
  closing: 'That was the tray',
  system: { name: 'Tray Book', addresses: [], versions: [] },
  solo: { task: 'Rinse one tray', passMark: 80, triesPerStep: 3, attempts: 0 },
}

describe('the texts of a guide', () => {
  it('are found wherever they stand, each under a name of its own', () => {
    const found = textsOf(document)
    expect(new Set(found.map((text) => text.key)).size).toBe(found.length)
    expect(found.filter((text) => /tray/i.test(JSON.stringify(text.text))).map((text) => text.where)).toEqual([
      'title',
      'summary',
      'task',
      'closing',
      'system',
      'section',
      'step',
      'picture',
      'label',
      'practise-label',
      'label',
      'caution',
      'caution',
      'pop-up',
      'pop-up',
      'pop-up',
      'message',
      'option',
      'hint',
      'solo',
      'ask',
      'choice',
      'not-ready',
    ])
  })
  it('are changed one by one, and nothing else with them', () => {
    for (const text of textsOf(document)) {
      const changed = applyAll(text.change(text.is === 'rich' ? richTextOf('Changed') : 'Changed'), document).document
      const now = textsOf(changed)
      expect(
        now.filter((each, n) => JSON.stringify(each.text) !== JSON.stringify(textsOf(document)[n]!.text)).map((each) => each.key),
      ).toEqual([text.key])
    }
  })
  it('are changed together, also several in one field', () => {
    const changes = changeTexts(document, (text) => (text.is === 'plain' ? text.text.replace(/tray/gi, 'crate') : undefined))
    const { document: changed, refused } = applyAll(changes, document)
    expect(refused).toEqual([])
    const left = textsOf(changed).filter((text) => /tray/i.test(JSON.stringify(text.text)))
    expect(left.map((text) => text.where)).toEqual(['step'])
    expect(() => changeTexts(document, (text) => (text.is === 'rich' ? 'plain words' : undefined))).toThrow(RangeError)
  })
})

/** Steps of any kind, of which some pictures are met again. */
const hint: Making['hint'] = (schema) => {
  const wanted = schema as unknown
  if (wanted === PictureId) return { value: oneOf(random, [shot, other, ids()]) }
  if (wanted === StepId) return { value: oneOf(random, [next.id, full.id, ids()]) }
  return undefined
}
const anyStep = (): Step => ({ ...(valueOf(Step, { random, hint }) as Step), id: full.id })

describe('the fields of a step', () => {
  it('name every picture in them, wherever it stands', () => {
    for (let i = 0; i < 300; i++) {
      const step = anyStep()
      const met = new Set<string>()
      mapItemPictures(step, { stored: (id) => (met.add(id), id), element: (id) => (met.add(id), id) })
      const bySchema = sitesOf(Step, step).filter((site) => (site.schema as unknown) === PictureId)
      expect(met).toEqual(new Set(bySchema.map((site) => site.value)))
    }
  })
  it('are as many as its schema has', () => {
    expect(Object.keys(STEP_FIELDS).sort()).toEqual(Object.keys(stepShape).sort())
    expect(Object.keys(GUIDE_ITEMS.section.fields).sort()).toEqual(
      Object.keys(Section.shape)
        .filter((name) => name !== 'kind' && name !== 'id')
        .sort(),
    )
  })
  it('are made of one another by changes, from any state to any other', () => {
    for (let i = 0; i < 200; i++) {
      const [before, after] = [anyStep(), anyStep()].map((step) => {
        const { copiedFrom: _, splitFrom: __, notReadyWhy, ...rest } = step
        const why = step.notReady && notReadyWhy ? { notReadyWhy } : {}
        const pictures = [...new Map(step.pictures.map((picture) => [picture.id, picture])).values()].map((picture) => ({
          ...picture,
          ...(picture.annotations ? { annotations: [...new Map(picture.annotations.map((each) => [each.id, each])).values()] } : {}),
        }))
        return { ...rest, ...why, pictures }
      })
      const { document: made, refused } = applyAll(changesBetween(before!, after!), aDocument(before!))
      expect(refused).toEqual([])
      expect(changesBetween(made.items[0]!, after!)).toEqual([])
    }
  })
  it('are copied with pictures and steps of the copy, and what leads to what stays behind leads on', () => {
    const mapped = (item: GuideItem, elsewhere: boolean) => {
      const copy = copyOfItem(item, { newId: ids, ids: new Map([[full.id as string, 'copy-of-full']]), elsewhere }) as Step
      return mapItemPictures(copy, { stored: () => other, element: () => other })
    }
    const several: Step = {
      ...full,
      check: { sureness: 0.5, doubts: [], otherPictures: [shot] },
      exercise: { task: { kind: 'several', elements: [{ id: 'part-one', element: element(shot) }] } },
    }
    const there = mapped(several, true)
    expect(JSON.stringify(there)).not.toContain(shot)
    expect(there).toMatchObject({ id: 'copy-of-full', copiedFrom: full.id, flow: { choices: [{ to: 'next' }] } })
    expect(there.check).toBe(undefined)
    expect(mapped(several, false).flow).toEqual(full.flow)
  })
  it('are the same with a field left empty as without it', () => {
    fc.assert(
      fc.property(fc.constantFrom('cautions', 'signs', 'combinedFrom'), (field) => {
        expect(changesBetween(next, { ...next, [field]: [] })).toEqual([])
      }),
    )
  })
})
