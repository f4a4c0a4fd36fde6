import type { ClipKind } from '@jackdaw/core/clips'
import { clipsOf, picturesOf, withOtherClips, withPictures, type ContentClip, type Question } from '@jackdaw/core/quizzes'
import { readQti, type ReadQti } from '@jackdaw/core/quizzes/exchange'
import type { ClipId, PictureId } from '@jackdaw/core/shared'
import { useMutation } from '@tanstack/react-query'
import { nanoid } from 'nanoid'
import { useRef } from 'react'
import { fileClip } from '../../clips/fileClip'
import { sendClip } from '../../clips/sendClip'
import { Button, Failed, Message, showToast } from '../../ui'
import { Dialog } from '../../ui/over/Dialog'
import { useTexts } from '../../ui/words/texts'
import { Faults } from './Faults'
import { filesIn, NoPackage, sizeOfPicture } from './packageFiles'
import { useFilesHere, type FilesHere } from './filesHere'

const PICTURE_TYPES: Readonly<Record<string, string>> = {
  ...{ png: 'image/png', jpg: 'image/jpeg', jpeg: 'image/jpeg', gif: 'image/gif', webp: 'image/webp' },
}
const CLIP_TYPES: Readonly<Record<string, string>> = {
  ...{ mp4: 'video/mp4', m4v: 'video/mp4', webm: 'video/webm', ogv: 'video/ogg', mov: 'video/quicktime' },
  ...{
    mp3: 'audio/mpeg',
    mpeg: 'audio/mpeg',
    m4a: 'audio/mp4',
    aac: 'audio/aac',
    wav: 'audio/wav',
    ogg: 'audio/ogg',
    oga: 'audio/ogg',
    flac: 'audio/flac',
  },
}
const endOf = (path: string): string => /\.(\w+)$/.exec(path)?.[1]?.toLowerCase() ?? ''

type Opened = ReadQti & { files: ReadonlyMap<string, File> }
/** What stands in a package: its questions, and the pictures and clips that they show as files. */
async function opened(file: File, room: number): Promise<Opened> {
  const texts = new Map<string, string>()
  const files = new Map<string, File>()
  const sizes = new Map<string, { widthPx: number; heightPx: number }>()
  for (const [path, bytes] of Object.entries(await filesIn(file))) {
    if (/\.xml$/i.test(path)) texts.set(path, new TextDecoder().decode(bytes))
    const name = path.split('/').at(-1) ?? path
    const played = CLIP_TYPES[endOf(path)]
    if (played !== undefined) files.set(path, new File([new Uint8Array(bytes)], name, { type: played }))
    const type = PICTURE_TYPES[endOf(path)]
    if (type === undefined) continue
    const picture = new File([new Uint8Array(bytes)], name, { type })
    const size = await sizeOfPicture(picture)
    if (!size) continue
    files.set(path, picture)
    sizes.set(path, size)
  }
  return { ...readQti(texts, (path) => sizes.get(path) ?? null, nanoid, room), files }
}

/** Stores a clip of a package.
 * @returns `null` where this browser cannot play it */
async function stored(here: FilesHere, file: File, kind: ClipKind): Promise<Pick<ContentClip, 'id' | 'durationMs'> | null> {
  const clip = await fileClip(file, kind)
  if (!clip) return null
  const { durationMs } = clip
  const { id } = await here.beginClip({ kind, bytes: clip.file.size, durationMs })
  await sendClip(id, clip.file, () => undefined)
  return { id, durationMs }
}

/** Stores the files of a package.
 * @returns its questions with these files; `leftOut`: how many of sound and video this browser cannot play */
async function taken(here: FilesHere, { questions, pictures, clips, files }: Opened): Promise<{ questions: Question[]; leftOut: number }> {
  const added = new Map<PictureId, PictureId>()
  for (const id of new Set(questions.flatMap(picturesOf))) {
    const picture = files.get(pictures.get(id) ?? '')
    if (picture) added.set(id, (await here.add(picture)).id)
  }
  const heard = new Map<ClipId, Pick<ContentClip, 'id' | 'durationMs'>>()
  let leftOut = 0
  for (const { id, kind } of questions.flatMap(clipsOf)) {
    const file = files.get(clips.get(id) ?? '')
    const clip = file && (await stored(here, file, kind))
    if (clip) heard.set(id, clip)
    else if (file) leftOut++
  }
  const own = (clip: ContentClip): ContentClip | null => {
    const there = heard.get(clip.id)
    return there ? { ...clip, ...there } : null
  }
  return {
    questions: questions.map((question) =>
      withOtherClips(
        withPictures(question, (id) => added.get(id) ?? null),
        own,
      ),
    ),
    leftOut,
  }
}

/** Takes questions in from a package of another system: what is read, and what is not, stands there before anything is added.
 * @param room how many more there may be */
export function TakeInPackage({ room, onTake, onClose }: { room: number; onTake: (questions: Question[]) => void; onClose: () => void }) {
  const { t } = useTexts()
  const here = useFilesHere()
  const file = useRef<HTMLInputElement>(null)
  const open = useMutation({ mutationFn: (chosen: File) => opened(chosen, room) })
  const take = useMutation({
    mutationFn: (opened: Opened) => taken(here, opened),
    onSuccess: ({ questions, leftOut }) => {
      if (leftOut > 0) showToast(t('{{count}} files cannot be played here and are left out', { count: leftOut }))
      onTake(questions)
    },
  })
  const read = open.data
  const lacking = read ? [...read.pictures.values(), ...read.clips.values()].filter((path) => !read.files.has(path)) : []
  return (
    <Dialog
      open
      onClose={onClose}
      title={t('Take in a QTI package')}
      about={t(
        'Questions of other systems: an archive of QTI 2 or 3, or one of its items. What cannot be read is said before anything is added.',
      )}
    >
      <div className="space-y-4">
        <input
          ref={file}
          type="file"
          accept=".zip,.xml,application/zip,application/xml"
          className="sr-only"
          tabIndex={-1}
          aria-label={t('Open a file')}
          onChange={(event) => {
            const [chosen] = event.target.files ?? []
            event.target.value = ''
            if (chosen) open.mutate(chosen)
          }}
        />
        <div role="status" className="space-y-3">
          {open.isPending && <p>{t('It is being read …')}</p>}
          {open.error instanceof NoPackage && (
            <Message tone="bad" title={t('This file cannot be read')}>
              {t('It is no archive, or unpacks to more than 60 MB. Nothing was added. Choose another file.')}
            </Message>
          )}
          {open.isError && !(open.error instanceof NoPackage) && <Failed error={open.error} />}
          {read && <p className="font-semibold">{t('{{count}} questions are read', { count: read.questions.length })}</p>}
          {lacking.length > 0 && (
            <Message tone="warn" title={t('{{count}} files are not in the package', { count: lacking.length })}>
              {lacking.slice(0, 10).join(', ')}
            </Message>
          )}
        </div>
        {read && <Faults faults={read.faults} place={(n) => t('Item {{n}}', { n })} />}
        {take.isError && <Failed error={take.error} />}
        <div className="flex flex-wrap justify-end gap-2">
          <Button look={read ? 'plain' : 'primary'} disabled={take.isPending} onClick={() => file.current?.click()}>
            {t('Open a file')}
          </Button>
          <Button onClick={onClose}>{t('Cancel')}</Button>
          {read && (
            <Button look="primary" disabled={read.questions.length === 0 || take.isPending} onClick={() => take.mutate(read)}>
              {take.isPending ? t('Adding …') : t('Add {{count}} questions', { count: read.questions.length })}
            </Button>
          )}
        </div>
      </div>
    </Dialog>
  )
}
