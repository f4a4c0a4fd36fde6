import { NewGuide, type Folder } from '@jackdaw/contracts/library'
import { outlineItems } from '@jackdaw/core/exchange'
import { GuideKind } from '@jackdaw/core/guides'
import type { FolderId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { useMemo, useState } from 'react'
import { useNavigate } from 'react-router'
import { kindName } from '../guides/kindName'
import { Button, ButtonLink, Message, Radios, Select, TextArea, TextField } from '../ui'
import { useFormOf } from '../ui/fields/useFormOf'
import { Dialog } from '../ui/over/Dialog'
import { FormDialog } from '../ui/over/FormDialog'
import { Progress } from '../ui/Progress'
import { useTexts } from '../ui/words/texts'
import type { Beginning, Begun } from './beginGuide'
import { FOLDER_VALUE, FolderField } from './FolderField'
import { PicturesField } from './PicturesField'
import { useBeginGuide } from './queries'

type With = Beginning['with']

/** What a guide begins with, as it is being chosen. */
function useBeginning() {
  const [what, setWhat] = useState<With>('nothing')
  const [text, setText] = useState('')
  const [files, setFiles] = useState<File[]>([])
  const beginning: Beginning = what === 'outline' ? { with: what, text } : what === 'pictures' ? { with: what, files } : { with: 'nothing' }
  const ready = what === 'nothing' || (what === 'outline' ? text.trim() !== '' : files.length > 0)
  return { what, setWhat, text, setText, files, setFiles, beginning, ready }
}

/** Makes a guide: from nothing, from an outline, or from many pictures. */
export function NewGuideDialog({
  folder,
  folders,
  title,
  onClose,
}: {
  folder: FolderId | undefined
  folders: Folder[]
  title: string
  onClose: () => void
}) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const { create, progress } = useBeginGuide()
  const { register, sending, faultOf } = useFormOf(NewGuide, { title, kind: 'how-to', folderId: folder ?? null })
  const begin = useBeginning()
  const [begun, setBegun] = useState<Begun | null>(null)
  const open = (made: Begun) => (made.failed.length > 0 ? setBegun(made) : void navigate(`/guides/${made.id}/edit`))
  if (begun) return <SomeLeftOut begun={begun} onClose={onClose} />
  return (
    <FormDialog
      title={t('New guide')}
      yes={t('Begin to write')}
      sending={t('The guide is made …')}
      send={create}
      ready={begin.ready}
      onClose={onClose}
      onSubmit={sending((body) => create.mutate({ body, beginning: begin.beginning }, { onSuccess: open }))}
    >
      <TextField label={t('Title')} autoFocus maxLength={300} {...register('title')} error={faultOf('title')} />
      <Select label={t('Kind')} {...register('kind')}>
        {GuideKind.options.map((kind) => (
          <option key={kind} value={kind}>
            {kindName(kind, t)}
          </option>
        ))}
      </Select>
      <FolderField label={t('Folder')} field={register('folderId', FOLDER_VALUE)} folders={folders} />
      <Radios
        label={t('Begin with')}
        value={begin.what}
        onChange={begin.setWhat}
        options={[
          { value: 'nothing', words: t('An empty step') },
          {
            value: 'outline',
            words: t('An outline'),
            hint: t('Lines, indented or numbered, become sections and steps.'),
            more: <OutlineField text={begin.text} onChange={begin.setText} />,
          },
          {
            value: 'pictures',
            words: t('Pictures'),
            hint: t('Each becomes a step.'),
            more: <PicturesField files={begin.files} onChange={begin.setFiles} />,
          },
        ]}
      />
      {create.isPending && progress && <Progress label={t('Pictures are stored')} done={progress.done} of={progress.of} />}
    </FormDialog>
  )
}

/** Lines to be pasted, and what becomes of them. */
function OutlineField({ text, onChange }: { text: string; onChange: (text: string) => void }) {
  const { t } = useTexts()
  const items = useMemo(() => outlineItems(text, <I extends string>() => nanoid() as I), [text])
  const steps = items.filter((item) => item.kind === 'step').length
  return (
    <>
      <TextArea label={t('Outline')} rows={7} maxLength={100_000} value={text} onChange={(event) => onChange(event.target.value)} />
      {text.trim() !== '' && (
        <p className="text-sm text-soft" role="status">
          {t('{{count}} sections', { count: items.length - steps })}, {t('{{count}} steps', { count: steps })}
        </p>
      )}
    </>
  )
}

/** The guide is made, but for some pictures. */
function SomeLeftOut({ begun, onClose }: { begun: Begun; onClose: () => void }) {
  const { t } = useTexts()
  return (
    <Dialog open onClose={onClose} title={t('The guide is made')}>
      <Message tone="warn" title={t('{{count}} pictures could not be taken', { count: begun.failed.length })}>
        {t('All others are in it, each in a step of its own.')}
      </Message>
      <ul className="text-sm my-4 max-h-60 overflow-auto list-disc pl-6">
        {begun.failed.map((each) => (
          <li key={each}>{each}</li>
        ))}
      </ul>
      <div className="flex justify-end gap-2">
        <Button onClick={onClose}>{t('Close')}</Button>
        <ButtonLink look="primary" to={`/guides/${begun.id}/edit`}>
          {t('Open the draft')}
        </ButtonLink>
      </div>
    </Dialog>
  )
}
