import { clipsOf, picturesOf, type Question } from '@jackdaw/core/quizzes'
import { writePlain, writeQti, writeTable, type Lost, type LostKind, type QtiClip, type QtiPicture } from '@jackdaw/core/quizzes/exchange'
import type { ClipId, PictureId } from '@jackdaw/core/shared'
import { useQuery } from '@tanstack/react-query'
import { useMemo, useState } from 'react'
import type { FileSource } from '../../quizzes/ContentView'
import { Button, Failed, Message, Radios } from '../../ui'
import { Dialog } from '../../ui/over/Dialog'
import { useTexts, type Texts } from '../../ui/words/texts'
import { packed, sizeOfPicture } from './packageFiles'
import { useFilesHere } from './filesHere'

const lostWords = (t: Texts['t']): Record<LostKind, string> => ({
  kind: t('the question itself: a place on a picture'),
  pictures: t('its pictures'),
  clips: t('its sound and video'),
  captions: t('captions, and the pictures that stand for videos'),
  formatting: t('words that are set off, lists and links'),
  paragraphs: t('the paragraphs of its answers, which become one'),
  steps: t('the steps that it tests'),
  slips: t('that slips are let pass'),
  parts: t('points by parts: the right order brings all of them'),
})

type Form = 'plain' | 'table' | 'package'
type Shown = { pictures: readonly PictureId[]; clips: readonly ClipId[] }
/** What is saved: what it says, what it cannot hold, and how its file ends. */
type Saved = { files: Record<string, string>; lost: Lost[]; type: string; end: string }
type Fetched = { pictures: Map<PictureId, QtiPicture>; clips: Map<ClipId, QtiClip>; bytes: Record<string, Uint8Array> }

const ENDS: Readonly<Record<string, string>> = { 'image/png': 'png', 'image/jpeg': 'jpg', 'image/webp': 'webp', 'image/gif': 'gif' }
/** Sound and video go along up to so many bytes in all: packages are opened as a whole. */
const MOST_CLIP_BYTES = 40 * 1024 * 1024
/** The files of some questions, to go along with them; one that is gone, or too large, is left out, and told as lost. */
async function fetched({ pictures, clips }: Shown, source: FileSource, signal: AbortSignal): Promise<Fetched> {
  const all: Fetched = { pictures: new Map(), clips: new Map(), bytes: {} }
  await fetchPictures(pictures, source, signal, all)
  let left = MOST_CLIP_BYTES
  for (const id of clips) {
    const response = await fetch(source.clip(id), { signal })
    const size = Number(response.headers.get('content-length'))
    if (response.status === 404 || size > left) {
      await response.body?.cancel()
      continue
    }
    if (!response.ok) throw new Error(`${response.status} ${source.clip(id)}`)
    const clip = await response.blob()
    left -= clip.size
    const file = `media/${id}.${clip.type.split('/')[1] ?? 'bin'}`
    all.clips.set(id, { file, type: clip.type })
    all.bytes[file] = new Uint8Array(await clip.arrayBuffer())
  }
  return all
}
async function fetchPictures(ids: readonly PictureId[], source: FileSource, signal: AbortSignal, all: Fetched): Promise<void> {
  for (const id of ids) {
    const response = await fetch(source.picture(id), { signal })
    if (response.status === 404) continue
    if (!response.ok) throw new Error(`${response.status} ${source.picture(id)}`)
    const picture = await response.blob()
    const size = await sizeOfPicture(picture)
    if (!size) continue
    const file = `pictures/${id}.${ENDS[picture.type] ?? 'png'}`
    all.pictures.set(id, { ...size, file, type: picture.type })
    all.bytes[file] = new Uint8Array(await picture.arrayBuffer())
  }
}

/** The questions in one of the forms; of a package only once its pictures are there. */
function useSaved(questions: readonly Question[], name: string, form: Form) {
  const { source } = useFilesHere()
  const ids = useMemo(
    (): Shown => ({
      pictures: [...new Set(questions.flatMap(picturesOf))],
      clips: [...new Set(questions.flatMap(clipsOf).map(({ id }) => id))],
    }),
    [questions],
  )
  const pictures = useQuery({
    queryKey: ['package-pictures', ids],
    enabled: form === 'package',
    gcTime: 0,
    staleTime: Infinity,
    queryFn: ({ signal }) => fetched(ids, source, signal),
  })
  const saved = useMemo((): Saved | null => {
    if (form === 'plain') {
      const { text, lost } = writePlain(questions)
      return { files: { '': text }, lost, type: 'text/plain;charset=utf-8', end: 'txt' }
    }
    if (form === 'table') {
      const { text, lost } = writeTable(questions)
      return { files: { '': text }, lost, type: 'text/csv;charset=utf-8', end: 'csv' }
    }
    return pictures.data ? { ...writeQti(questions, name, pictures.data), type: 'application/zip', end: 'zip' } : null
  }, [form, questions, name, pictures.data])
  return { saved, pictures }
}

function download(content: BlobPart, type: string, name: string): void {
  const href = URL.createObjectURL(new Blob([content], { type }))
  const link = document.createElement('a')
  link.href = href
  link.download = name
  link.click()
  URL.revokeObjectURL(href)
}

/** Saves questions as a text in the plain form, as a table, or as a package for other systems, and says what that cannot hold. @param name of the file */
export function GiveOut({ questions, name, onClose }: { questions: readonly Question[]; name: string; onClose: () => void }) {
  const { t } = useTexts()
  const [form, setForm] = useState<Form>('plain')
  const { saved, pictures } = useSaved(questions, name, form)
  const count = questions.length - (saved?.lost.filter(({ what }) => what === 'kind').length ?? 0)
  const save = ({ files, type, end }: Saved): void => {
    const content = end === 'zip' ? packed(files, pictures.data?.bytes ?? {}) : Object.values(files).join('')
    download(content, type, `${name.replace(/[^\p{L}\p{N}]+/gu, '-') || 'questions'}.${end}`)
    onClose()
  }
  return (
    <Dialog open onClose={onClose} title={t('Save the questions')} about={t('It can be read, changed and taken in again.')}>
      <div className="space-y-4">
        <Radios<Form>
          label={t('As')}
          value={form}
          onChange={setForm}
          options={[
            { value: 'plain', words: t('a text with marks'), hint: t('Quick to read and to change in any editor.') },
            { value: 'table', words: t('a table (CSV)'), hint: t('For a spreadsheet.') },
            { value: 'package', words: t('a package (QTI 2.1)'), hint: t('For other systems, with pictures, sound and video.') },
          ]}
        />
        {pictures.isLoading && form === 'package' && <p role="status">{t('Its files are being fetched …')}</p>}
        {pictures.isError && form === 'package' && <Failed error={pictures.error} />}
        {saved && <LostList lost={saved.lost} />}
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>{t('Cancel')}</Button>
          <Button look="primary" disabled={count === 0 || saved === null} onClick={() => saved && save(saved)}>
            {t('Save {{count}} questions', { count })}
          </Button>
        </div>
      </div>
    </Dialog>
  )
}

/** What the form cannot hold. */
function LostList({ lost }: { lost: readonly Lost[] }) {
  const { t } = useTexts()
  const words = lostWords(t)
  if (lost.length === 0) return null
  return (
    <Message tone="warn" title={t('It cannot hold everything. This is left out:')}>
      <ul className="max-h-60 overflow-auto">
        {lost.map(({ question, what }, n) => (
          <li key={n}>
            {t('Question {{n}}', { n: question })}: {words[what]}
          </li>
        ))}
      </ul>
    </Message>
  )
}
