import { stepName, type GuideItem, type PictureSizes, type Look } from '@jackdaw/core/guides'
import type { GuideId, PictureId, StepId } from '@jackdaw/core/shared'
import type { Side } from '@jackdaw/core/annotations'
import type { Editor } from '@tiptap/react'
import type { ReactNode } from 'react'
import type { Texts } from '../ui/words/texts'
import { QuizMark, SectionMark, StepMark, type MarkProps } from './outline/OutlineMarks'
import { QuizSheet } from './steps/QuizSheet'
import { SectionSheet } from './steps/SectionSheet'
import { StepSheet, type Common } from './steps/StepSheet'

type Kind = GuideItem['kind']
type ItemOf<K extends Kind> = Extract<GuideItem, { kind: K }>

/** What an item's part of the sheet may need; each kind takes what it needs. */
type SheetProps = Common & {
  guideId: GuideId
  sizes: PictureSizes
  look: Look
  round: number
  panelHost: Element | null
  prefer: Side | null
  onBench: PictureId | null
  /** Of a step, from 1. */
  number: number
  uploads: readonly { stepId: StepId; file: string }[]
  onEditor: (editor: Editor | null) => void
  tools: boolean
}

/** What the editor needs to know of a kind of item. */
type ItemKind<K extends Kind> = {
  /** Its part of the sheet on which a guide is written. */
  Sheet: (props: SheetProps & { item: ItemOf<K> }) => ReactNode
  /** What the outline shows of it. */
  Mark: (props: MarkProps<ItemOf<K>>) => ReactNode
  /** What it is called. */
  nameOf: (item: ItemOf<K>, number: number, t: Texts['t']) => string
}

/** What the editor needs to know of every kind of item: one that is added to a guide says all of it here. */
const ITEM_KINDS: { readonly [K in Kind]: ItemKind<K> } = {
  step: {
    Sheet: ({ item, ...props }) => <StepSheet step={item} {...props} />,
    Mark: StepMark,
    nameOf: (step, number, t) => stepName(step) || t('Step {{n}}', { n: number }),
  },
  section: {
    Sheet: ({ item, actions, selected, focus, conflicts, ticked }) => (
      <SectionSheet section={item} {...{ actions, selected, focus, conflicts, ticked }} />
    ),
    Mark: SectionMark,
    nameOf: (section, _number, t) => section.title || t('Section heading'),
  },
  quiz: {
    Sheet: ({ item, actions, selected, focus, conflicts, ticked }) => (
      <QuizSheet {...{ item, actions, selected, focus, conflicts, ticked }} />
    ),
    Mark: QuizMark,
    nameOf: (_quiz, _number, t) => t('Quiz'),
  },
}
/** What the editor needs to know of an item's kind, for that item. */
export const itemKindOf = (item: GuideItem): ItemKind<Kind> => ITEM_KINDS[item.kind] as ItemKind<Kind>
