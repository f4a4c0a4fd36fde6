import type { Handout, PaperSize } from '@jackdaw/core/exchange'
import type { Language } from '@jackdaw/core/people'
import type { AnswerMessageOf, JobMessageOf } from '../processes'

/** Where a stored picture lies while a file is written, by its id. */
export type PictureFiles = Readonly<Record<string, { path: string; mediaType: string }>>
/** What every format is written from. `file`: where it is written to. */
type Source = { handout: Handout; pictures: PictureFiles; language: Language; file: string; now: number }

/** `pages`: how many, where there are pages; `missing`: characters for which no font has a letter. */
type Done = { pages: number | null; missing: string[] }

/** The formats in which guides are written, in a process of their own. */
export type WritingJobs = {
  pdf: { asked: Source & { paper: PaperSize }; done: Done }
  word: { asked: Source; done: Done }
  /** One page of HTML that needs nothing beside it. */
  page: { asked: Source; done: Done }
  /** Markdown with pictures, in a zip. */
  markdown: { asked: Source; done: Done }
  /** A whole guide, for another Jackdaw. */
  'guide-file': { asked: Source; done: Done }
}
export type WritingMessage = JobMessageOf<WritingJobs>
export type WritingAnswer = AnswerMessageOf<WritingJobs>
