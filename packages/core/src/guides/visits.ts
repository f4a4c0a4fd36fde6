import type { PictureId } from '../shared'
import type { RichText } from './text/richText'

/** What a text of a guide is for. */
export type TextWhere =
  | 'title'
  | 'summary'
  | 'closing'
  | 'system'
  | 'task'
  | 'section'
  | 'not-ready'
  | 'step'
  | 'label'
  | 'practise-label'
  | 'caution'
  | 'picture'
  | 'hint'
  | 'message'
  | 'solo'
  | 'option'
  | 'pop-up'
  | 'ask'
  | 'choice'

/** Where a text stands: its name within the field, what it is for, and how many characters it may have. */
export type TextAt = { at: string; where: TextWhere; most: number }
/** What is made of each text. Whoever gives every text back as it is gets an equal value. */
export type TextVisit = { plain: (text: string, at: TextAt) => string; rich: (text: RichText, at: TextAt) => RichText }

/** What is made of each picture's id. `stored`: ids of stored pictures, or of a sheet; `element`: where an element is said to stand. */
export type PictureVisit = { stored: (id: PictureId) => PictureId; element: (id: PictureId) => PictureId }
