import type { Handout, PaperSize } from '@jackdaw/core/exchange'
import type { Language } from '@jackdaw/core/people'
import type { AnswerMessageOf, JobMessageOf } from '../processes'

/** Where a stored picture lies while a file is written, by its id. */
export type PictureFiles = Readonly<Record<string, { path: string; mediaType: string }>>
/** What every format is written from. `file`: where it is written to. */
type Source = { handout: Handout; pictures: PictureFiles; language: Language; file: string; now: number }

/** The formats in which guides are written, in a process of their own. `missing`: characters for which no font has a letter. */
export type WritingJobs = {
  pdf: { asked: Source & { paper: PaperSize }; done: { pages: number; missing: string[] } }
}
export type WritingMessage = JobMessageOf<WritingJobs>
export type WritingAnswer = AnswerMessageOf<WritingJobs>
