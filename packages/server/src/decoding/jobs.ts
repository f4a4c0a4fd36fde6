import type { Holiday } from '@jackdaw/core/calendar'
import type { ImportedDraft, ReadGuideFile } from '@jackdaw/core/exchange'
import type { GuideKind, Rect } from '@jackdaw/core/guides'
import type { LocalDate } from '@jackdaw/core/shared'
import type { AnswerMessageOf, JobMessageOf, OutcomeOf } from '../processes'
import type { ReadPicture } from './readPicture'
import type { FileEncoding } from '@jackdaw/contracts/peopleFiles'
import type { ReadTable } from './tableFormat'

/** A draft read from a text: the document as JSON, what it waits for, and what has no place in it. */
type ReadText = { documentText: string } & Omit<ImportedDraft, 'document'>
/** A document that was read into a draft. `files`: its pictures, by the paths that the draft names; `rough`: it tells only how it looks, not what it means. */
export type ReadDocument = { draft: ReadText; files: { path: string; bytes: Uint8Array }[]; rough: boolean }
/** A document that is to be read. */
type AskedDocument =
  | { kind: 'html'; text: string; fileName: string }
  | { kind: 'word'; bytes: Uint8Array; fileName: string }
  | { kind: 'pdf'; bytes: Uint8Array; fileName: string }
/** A draft as it can be stored: its pictures settled. */
export type SettledText = { documentText: string; title: string; kind: GuideKind; steps: number; sections: number }

/** What is done with strangers' bytes in a process of its own: what goes in, and what comes back. */
export type Jobs = {
  picture: { asked: { bytes: Uint8Array }; done: { picture: ReadPicture } }
  fill: { asked: { full: Uint8Array; mediaType: string; areas: readonly Rect[] }; done: { picture: ReadPicture } }
  markdown: { asked: { source: string; fileName: string }; done: { draft: ReadText } }
  document: { asked: AskedDocument; done: ReadDocument }
  /** A guide's draft made anew as another guide, see `copyOfGuide`; `used`: the pictures of the first guide that it refers to. */
  copy: { asked: { documentText: string; title: string; pictures: Record<string, string> }; done: { copied: SettledText; used: string[] } }
  /** The first table of a file; `encoding`: how to read it, where it is not as it seems. */
  table: { asked: { bytes: Uint8Array; encoding?: FileEncoding | undefined }; done: { table: ReadTable } }
  /** The days off of a calendar file between two days. */
  holidays: { asked: { bytes: Uint8Array; from: LocalDate; until: LocalDate }; done: { holidays: Holiday[]; left: number } }
  /** The text of a guide file. */
  'guide-file': { asked: { text: string }; done: { documentText: string } & Omit<ReadGuideFile, 'document'> }
  /** Such a guide without the pictures that were not in the file, and the quizzes that are not here. */
  'settle-file': {
    asked: { documentText: string; pictures: readonly string[]; quizzes: readonly string[] }
    done: { settled: SettledText }
  }
  settle: { asked: { draft: Pick<ReadText, 'documentText' | 'pictures'>; found: readonly string[] }; done: { settled: SettledText } }
}
export type JobKind = keyof Jobs
/** What came of a job: its result, or in words why there is none. */
export type Outcome<K extends JobKind> = OutcomeOf<Jobs, K>
export type JobMessage = JobMessageOf<Jobs>
export type AnswerMessage = AnswerMessageOf<Jobs>
