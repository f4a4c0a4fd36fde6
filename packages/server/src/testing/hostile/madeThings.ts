import { emptyDocument, PLAIN_SOLO, richTextOf, withBlockIds, type GuideDocument, type Step } from '@jackdaw/core/guides'
import { actingScriptOf, begin, type Play } from '@jackdaw/core/players'
import { guideItem } from '@jackdaw/core/items'
import type { PlanDocument } from '@jackdaw/core/plans'
import type { GuideId, PictureId, PlannedCheckInId, QuestionId, StageId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { START } from '../testServer'

const aStep = (text: string, more: Partial<Step> = {}): Step => ({
  kind: 'step',
  id: nanoid<Step['id']>(),
  body: withBlockIds(richTextOf(text), nanoid),
  pictures: [],
  ...more,
})

/** A plan in which a guide stands. */
export const planOf = (guide: GuideId): PlanDocument => ({
  ...{ title: 'First weeks', about: 'For everybody', working: true, dayLimitMin: 60 },
  stages: [
    {
      ...{ id: nanoid<StageId>(), name: 'One', release: 'both', free: { days: 1, working: true } },
      items: [{ item: guideItem(guide), day: 2, optional: false }],
      checkIns: [
        {
          ...{ id: nanoid<PlannedCheckInId>(), name: 'First week', day: 2 },
          questions: [{ id: nanoid<QuestionId>(), words: 'What was unclear?', answer: 'words' }],
        },
      ],
    },
  ],
})

/** A state of a player as a browser keeps it, of a guide with that picture. */
export const aPlayerState = (way: 'watch' | 'practise', pictureId: PictureId): unknown =>
  begin(
    way,
    {
      script: actingScriptOf(documentWith(pictureId, 'x')),
      person: { roles: [], sites: [], language: 'en' },
    } as unknown as Play,
    START,
  ).state

/** A guide with a bit of everything: a picture with a blackout, a caution, an action, a branch, a section. */
export function documentWith(pictureId: PictureId, title: string): GuideDocument {
  const element = {
    pictureId,
    rect: { x: 10, y: 10, width: 40, height: 20 },
    of: { widthPx: 64, heightPx: 48 },
    role: 'button',
    name: 'Save',
    frame: [],
    locators: [],
  }
  const click = aStep('Select Save', {
    pictures: [{ id: pictureId, alt: 'The form', annotations: [{ id: 'frame-one', kind: 'frame', area: { to: 'element', gapPx: 3 } }] }],
    action: { verb: 'select', page: { address: 'https://book.example', title: 'Orders', application: 'Order Book' }, element },
  })
  const shown = aStep('Look at the list', { pictures: [{ id: pictureId, alt: 'The list' }] })
  const last = aStep('Close it', {
    cautions: [{ id: 'caution-one', level: 'warning', words: 'Mind the door', acknowledge: true }],
    flow: { choices: [{ id: 'choice-one', words: 'Done', to: 'end' }] },
  })
  return {
    ...emptyDocument(title, 'how-to'),
    solo: { ...PLAIN_SOLO, task: 'Save the form' },
    items: [{ kind: 'section', id: nanoid<never>(), title: 'Saving' }, click, shown, last],
  }
}

/** Something that was done while it was recorded. */
export const anAction = (id: string, shot: string): object => ({
  id,
  kind: 'click',
  at: START,
  tab: 0,
  page: { address: 'https://book.example/orders', title: 'Order Book', heading: 'Orders', application: 'Order Book', language: 'en' },
  element: {
    tag: 'button',
    role: 'button',
    name: 'Save',
    text: 'Save',
    rect: { x: 10, y: 20, width: 60, height: 20 },
    frame: [],
    inShadow: false,
    around: [],
    locators: [{ kind: 'role-name', value: 'button "Save"', weight: 0.85, unique: true }],
  },
  scroll: { x: 0, y: 0 },
  window: { width: 640, height: 400 },
  devicePixelRatio: 1,
  shot: { id: shot, widthPx: 64, heightPx: 48, source: 'ahead', certain: true },
})
