import { picturesOf, withPictures, type Question } from '@jackdaw/core/quizzes'
import { readQti, type ReadQti } from '@jackdaw/core/quizzes/exchange'
import type { PictureId } from '@jackdaw/core/shared'
import { useMutation } from '@tanstack/react-query'
import { nanoid } from 'nanoid'
import { useRef } from 'react'
import { Button, Failed, Message } from '../../ui'
import { Dialog } from '../../ui/over/Dialog'
import { useTexts } from '../../ui/words/texts'
import { Faults } from './Faults'
import { filesIn, NoPackage, sizeOfPicture } from './packageFiles'
import { useFilesHere } from './filesHere'

const PICTURE_TYPES: Readonly<Record<string, string>> = {
  ...{ png: 'image/png', jpg: 'image/jpeg', jpeg: 'image/jpeg', gif: 'image/gif', webp: 'image/webp' },
}
const typeOf = (path: string): string | undefined => PICTURE_TYPES[/\.(\w+)$/.exec(path)?.[1]?.toLowerCase() ?? '']

type Opened = ReadQti & { files: ReadonlyMap<string, File> }
/** What stands in a package: its questions, and the pictures that they show as files. */
async function opened(file: File, room: number): Promise<Opened> {
  const texts = new Map<string, string>()
  const files = new Map<string, File>()
  const sizes = new Map<string, { widthPx: number; heightPx: number }>()
  for (const [path, bytes] of Object.entries(await filesIn(file))) {
    const type = typeOf(path)
    if (/\.xml$/i.test(path)) texts.set(path, new TextDecoder().decode(bytes))
    if (type === undefined) continue
    const picture = new File([new Uint8Array(bytes)], path.split('/').at(-1) ?? path, { type })
    const size = await sizeOfPicture(picture)
    if (!size) continue
    files.set(path, picture)
    sizes.set(path, size)
  }
  return { ...readQti(texts, (path) => sizes.get(path) ?? null, nanoid, room), files }
}

/** Takes questions in from a package of another system: what is read, and what is not, stands there before anything is added.
 * @param room how many more there may be */
export function TakeInPackage({ room, onTake, onClose }: { room: number; onTake: (questions: Question[]) => void; onClose: () => void }) {
  const { t } = useTexts()
  const here = useFilesHere()
  const file = useRef<HTMLInputElement>(null)
  const open = useMutation({ mutationFn: (chosen: File) => opened(chosen, room) })
  const take = useMutation({
    mutationFn: async ({ questions, pictures, files }: Opened) => {
      const added = new Map<PictureId, PictureId>()
      for (const id of new Set(questions.flatMap(picturesOf))) {
        const picture = files.get(pictures.get(id) ?? '')
        if (picture) added.set(id, (await here.add(picture)).id)
      }
      return questions.map((question) => withPictures(question, (id) => added.get(id) ?? null))
    },
    onSuccess: onTake,
  })
  const read = open.data
  const lacking = read ? [...read.pictures.values()].filter((path) => !read.files.has(path)) : []
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
            <Message tone="warn" title={t('{{count}} pictures are not in the package', { count: lacking.length })}>
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
