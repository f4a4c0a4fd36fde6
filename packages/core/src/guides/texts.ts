import type { ItemId, GuideDocument, GuideItem } from './document'
import { changesBetween } from './changing/changesBetween'
import type { Change } from './changing/changes'
import type { TextAt, TextVisit, TextWhere } from './visits'
import { FACT_NAMES, factOf, GUIDE_FACTS } from './guideFacts'
import { mapItemTexts } from './guideItems'
import type { RichText } from './text/richText'

/** A text of a guide: a name that no other has, the item in which it stands (`null`: in the facts), what it is for, how many characters it may
 * have, and what it says. */
export type TextOfGuide = { key: string; itemId: ItemId | null; where: TextWhere; most: number } & (
  { is: 'plain'; text: string } | { is: 'rich'; text: RichText }
)
/** A text with the changes that put another one in its place; none where it is the same. */
export type ChangeableText = TextOfGuide & { change: (next: string | RichText) => Change[] }

/** What takes the place of a text; `undefined`: it stays. Words where rich text stands are refused. */
type By = (text: TextOfGuide) => string | RichText | undefined

const within = (next: string, { where, most }: TextAt): string => (where === 'title' ? next.slice(0, most).trim() : next.slice(0, most))

function visiting(itemId: ItemId | null, field: string, by: By): TextVisit {
  const placed = ({ at, where, most }: TextAt) => ({ key: [field, itemId, at].filter(Boolean).join(':'), itemId, where, most })
  return {
    plain: (text, at) => {
      const next = by({ ...placed(at), is: 'plain', text })
      if (next === undefined) return text
      if (typeof next !== 'string') throw new RangeError(`${field}: rich text where plain words stand`)
      return within(next, at)
    },
    rich: (text, at) => {
      const next = by({ ...placed(at), is: 'rich', text })
      if (typeof next === 'string') throw new RangeError(`${field}: plain words where rich text stands`)
      return next ?? text
    },
  }
}

function factChanges(document: GuideDocument, by: By): Change[] {
  const facts = Object.fromEntries(
    FACT_NAMES.flatMap((fact) => {
      const now = factOf(document, fact)
      let changed = false
      const visit = visiting(null, fact, (text) => {
        const next = by(text)
        changed ||= next !== undefined && next !== text.text
        return next
      })
      const next = (GUIDE_FACTS[fact].texts as (value: unknown, visit: TextVisit) => unknown)(now, visit)
      return changed ? [[fact, next] as const] : []
    }),
  )
  return Object.keys(facts).length > 0 ? [{ type: 'set-facts', facts }] : []
}
const itemChanges = (item: GuideItem, by: By): Change[] =>
  changesBetween(
    item,
    mapItemTexts(item, (field) => visiting(item.id, field, by)),
  )

/** The changes that put other texts in the place of some, anywhere in a guide; of one field together.
 * @throws RangeError when plain words are given for rich text, or the other way round */
export const changeTexts = (document: GuideDocument, by: By): Change[] => [
  ...factChanges(document, by),
  ...document.items.flatMap((item) => itemChanges(item, by)),
]

/** Every text of a guide, wherever it stands, in the order in which it is read. Not among them: what the pictured application says, such as
 * names of elements and recorded values. */
export function textsOf(document: GuideDocument): ChangeableText[] {
  const found: ChangeableText[] = []
  changeTexts(document, (text) => {
    const only =
      (next: string | RichText): By =>
      (each) =>
        each.key === text.key ? next : undefined
    const item = document.items.find((each) => each.id === text.itemId)
    found.push({ ...text, change: (next) => (item ? itemChanges(item, only(next)) : factChanges(document, only(next))) })
    return undefined
  })
  return found
}
