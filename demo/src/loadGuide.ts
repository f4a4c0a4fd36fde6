import type { FolderId, GuideId, NewId, PersonId, PictureId, StepId } from '@jackdaw/core/shared'
import { importMarkdown, settlePictures, type ImportedDraft } from '@jackdaw/core/exchange'
import { emptyDocument, richTextOf, withBlockIds, type GuideDocument } from '@jackdaw/core/guides'
import { draftFrom, textInPicture, type RawAction, type SentenceLanguage, type TextBox } from '@jackdaw/core/recording'
import { readFile } from 'node:fs/promises'
import { basename, join } from 'node:path'
import { exercised } from './exercises'
import type { DemoGuide } from './guides'
import type { Ids } from './people'
import { refine } from './refine'
import type { DemoServices } from './services'

/** The draft of one of the demo's own texts. */
export function drafted(...text: Parameters<typeof importMarkdown>): ImportedDraft {
  const read = importMarkdown(...text)
  if (!read.ok) throw new RangeError(read.words)
  return read.draft
}

type Read = { document: GuideDocument; pictures: { id: PictureId; path: string; words?: readonly TextBox[] }[] }

/** What a guide of the demo is written from. */
export type WrittenGuide = Pick<DemoGuide, 'file' | 'folder' | 'recordedSummary' | 'kind' | 'closing' | 'owner' | 'confirmSteps'>
/** A guide of the demo as it lies with the company. */
export type LoadedGuide = { id: GuideId; document: GuideDocument; owner: PersonId }

/** Reads a guide's Markdown with Jackdaw's own import. */
async function importedGuide(folder: string, { file }: WrittenGuide, newId: NewId): Promise<Read> {
  const draft = drafted(await readFile(join(folder, 'guides', `${file}.md`), 'utf8'), file, newId)
  const { document } = settlePictures(draft, new Set(draft.pictures.map((picture) => picture.id as string)))
  const byName = new Map(draft.pictures.map(({ id, path }) => [basename(path, '.png'), id]))
  return {
    document: refine(document, file, (name) => byName.get(name)),
    pictures: draft.pictures.map(({ id, path }) => ({ id, path: join(folder, path) })),
  }
}

/** Writes a guide from a real recording with Jackdaw's own rules. */
async function recordedGuide(folder: string, { file, kind, recordedSummary = '' }: WrittenGuide, newId: NewId): Promise<Read> {
  const from = join(folder, 'recordings', file)
  const { language, actions } = JSON.parse(await readFile(join(from, 'recording.json'), 'utf8')) as {
    language: SentenceLanguage
    actions: RawAction[]
  }
  const shots = actions.flatMap((action) => [action.shot, ...(action.otherShots ?? [])]).filter((shot) => shot !== undefined)
  const stored = new Map(shots.map(({ id, widthPx, heightPx }) => [id, { id: newId() as PictureId, widthPx, heightPx }]))
  const { title, items, system } = draftFrom(actions, { language, newId, storedShot: (id) => stored.get(id) })
  const used = new Set(items.flatMap((item) => (item.kind === 'step' ? item.pictures.map((picture) => picture.id) : [])))
  return {
    document: refine({ ...emptyDocument(title, kind), language, summary: recordedSummary, system, items }, file, () => undefined),
    pictures: [...stored]
      .filter(([, { id }]) => used.has(id))
      .map(([shot, picture]) => {
        const action = actions.find((each) => each.shot?.id === shot)
        return { id: picture.id, path: join(from, `${shot}.webp`), words: action ? textInPicture(action, picture) : [] }
      }),
  }
}

/** Reads a guide and stores it with its pictures. */
export async function loadGuide(services: DemoServices, folder: string, guide: WrittenGuide, ids: Ids, now: number): Promise<LoadedGuide> {
  const { document, pictures } = await (guide.recordedSummary ? recordedGuide : importedGuide)(folder, guide, services.newId)
  const id = services.newId() as GuideId
  const owner = ids.people.get(guide.owner)! as PersonId
  const finished: GuideDocument = {
    ...exercised(document, guide.file),
    kind: guide.kind,
    confirmSteps: guide.confirmSteps ?? false,
    ...(guide.closing ? { closing: guide.closing } : {}),
  }
  await services.addGuide({ id, document: finished, ownerId: owner, folderId: ids.folders.get(guide.folder)! as FolderId, now })
  await Promise.all(
    pictures.map(async ({ id: pictureId, path, words }) => {
      await services.addPicture({ id: pictureId, guideId: id, bytes: await readFile(path), by: owner, now })
      if (words) await services.addPictureText(pictureId, words)
    }),
  )
  return { id, document: finished, owner }
}

/** Adds a step to a guide that was published already. */
export async function addStepAgain(
  services: DemoServices,
  { id, owner }: LoadedGuide,
  words: string,
  after: StepId | null,
  now: number,
): Promise<StepId> {
  const added = services.newId() as StepId
  const body = withBlockIds(richTextOf(words), services.newId)
  await services.saveChanges(id, owner, [{ type: 'insert-item', item: { kind: 'step', id: added, body, pictures: [] }, after }], now)
  return added
}
