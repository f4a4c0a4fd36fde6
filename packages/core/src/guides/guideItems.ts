import { sameValue } from '../shared'
import type { GuideItem, Step } from './document'
import { type Copying, type Field, type Fields, ofFirst, PLAIN } from './fields'
import type { PictureVisit, TextVisit } from './visits'
import type { Limit } from './limits'
import { STEP_FIELDS } from './stepFields'
import { textLevels } from './text/textLevels'
import { plainText } from './text/plainText'

type Kind = GuideItem['kind']
type ItemOf<K extends Kind> = Extract<GuideItem, { kind: K }>
type Parts<K extends Kind> = Omit<ItemOf<K>, 'kind' | 'id'>

/** What is to be known of a kind of item of a document. */
type ItemKind<K extends Kind> = {
  fields: Fields<Parts<K>>
  /** How much of each limited thing it holds. */
  amounts: (item: ItemOf<K>) => Partial<Record<Limit, number>>
  /** What readers get of it: without what is there for authors only. */
  ready: (item: ItemOf<K>) => ItemOf<K>
  /** Its words in a text. `number`: of a step, from 1. */
  asText: (item: ItemOf<K>, number: number) => string
}

const most = (numbers: readonly number[]): number => numbers.reduce((a, b) => Math.max(a, b), 0)

const SECTION_FIELDS: Fields<Parts<'section'>> = {
  title: {
    ...PLAIN,
    empty: '',
    changedBy: 'own',
    texts: (value, visit) => visit.plain(value, { at: '', where: 'section', most: 300 }),
    join: ofFirst,
  },
  optional: { ...PLAIN, changedBy: 'own', join: ofFirst },
  notReady: STEP_FIELDS.notReady,
  notReadyWhy: STEP_FIELDS.notReadyWhy,
}

const QUIZ_FIELDS: Fields<Parts<'quiz'>> = {
  quizId: { ...PLAIN, changedBy: 'own', join: ofFirst },
  need: { ...PLAIN, changedBy: 'own', join: ofFirst },
  notReady: STEP_FIELDS.notReady,
  notReadyWhy: STEP_FIELDS.notReadyWhy,
}

/** What is to be known of every kind of item: one that is added to `GuideItem` has to say all of it here. */
export const GUIDE_ITEMS: { readonly [K in Kind]: ItemKind<K> } = {
  step: {
    fields: STEP_FIELDS,
    amounts: (step) => ({
      pictures: step.pictures.length,
      annotations: most(step.pictures.map((picture) => picture.annotations?.length ?? 0)),
      cautions: step.cautions?.length ?? 0,
      signs: step.signs?.length ?? 0,
      levels: textLevels(step.body),
    }),
    ready: ({ notReady: _, notReadyWhy: __, check: ___, ...step }) => step,
    asText: (step, number) => {
      const cautions = (step.cautions ?? []).map((caution) => `${caution.level.toUpperCase()}: ${caution.words}`)
      const lines = [...cautions, ...plainText(step.body).split('\n')].filter((line) => line.trim() !== '')
      return `${number}. ${lines.join('\n   ')}`
    },
  },
  section: {
    fields: SECTION_FIELDS,
    amounts: () => ({}),
    ready: ({ notReady: _, notReadyWhy: __, ...section }) => section,
    asText: (section) => `## ${section.title}`,
  },
  quiz: {
    fields: QUIZ_FIELDS,
    amounts: () => ({}),
    ready: ({ notReady: _, notReadyWhy: __, ...quiz }) => quiz,
    // Its words stand in the quiz.
    asText: () => '',
  },
}
/** What is to be known of an item's kind, for that item. */
export const kindOf = <I extends GuideItem>(item: I): ItemKind<I['kind']> => GUIDE_ITEMS[item.kind] as unknown as ItemKind<I['kind']>

/** The fields of a kind, and the values of an item, by the fields' names. */
const fieldsOf = (kind: Kind) => GUIDE_ITEMS[kind].fields as Record<string, Field<unknown>>
const valuesOf = (item: GuideItem) => item as Record<string, unknown>

/** An item of which every field was made anew; a field that became `undefined` is gone. */
function mapFields<I extends GuideItem>(item: I, by: (field: Field<unknown>, value: unknown, name: string) => unknown): I {
  const values = valuesOf(item)
  const next = Object.entries(fieldsOf(item.kind)).flatMap(([name, field]) => {
    const value = values[name] === undefined ? undefined : by(field, values[name], name)
    return value === undefined ? [] : [[name, value] as const]
  })
  return { kind: item.kind, id: item.id, ...Object.fromEntries(next) } as I
}

/** An item with what is made of each of its texts. @param visitIn for each field, by its name */
export const mapItemTexts = <I extends GuideItem>(item: I, visitIn: (field: string) => TextVisit): I =>
  mapFields(item, (field, value, name) => field.texts(value, visitIn(name)))

/** An item with what is made of each picture that it refers to. */
export const mapItemPictures = <I extends GuideItem>(item: I, visit: PictureVisit): I =>
  mapFields(item, (field, value) => field.pictures(value, visit))

/** A copy of an item with an id of its own, which says what it was copied from. */
export function copyOfItem(item: GuideItem, copying: Copying): GuideItem {
  const id = copying.ids.get(item.id) ?? copying.newId()
  const copy = { ...mapFields(item, (field, value) => field.copy(value, copying)), id } as GuideItem
  return copy.kind === 'step' ? { ...copy, copiedFrom: item.id as Step['id'] } : copy
}

/** Whether two items of one kind say the same in a field; an empty field is the same as none. */
export function sameField<I extends GuideItem>(before: I, after: I, name: string): boolean {
  const { empty } = fieldsOf(before.kind)[name]!
  return sameValue(valuesOf(before)[name] ?? empty, valuesOf(after)[name] ?? empty)
}
