import type { ExportAs, ExportOrder, ExportWhat } from '@jackdaw/contracts/exports'
import type { ExportId, GuideId, SectionId } from '@jackdaw/core/shared'
import type { GuideDocument } from '@jackdaw/core/guides'
import type { TFunction } from 'i18next'
import { useState, type FormEvent } from 'react'
import { Button, buttonClass, chosen, Failed, Radios, Select, TextField, TextLink } from '../ui'
import type { RadioOption } from '../ui/fields/Radios'
import { Dialog } from '../ui/over/Dialog'
import { FormDialog } from '../ui/over/FormDialog'
import { useTexts } from '../ui/words/texts'
import { ExportProgress, factsOf, formatName, goneWords, MissingLetters } from './exportWords'
import { isUnderWay, useCreateExport, useExport } from './queries'

/** What is to be saved as a file. `name`: what it is called; `several`: it is a booklet, with a title of its own; `published`, `draft`: which of the two
 * there is for whoever asks; `guideId`, `sections`: of one guide, so that one section of it can be chosen. */
export type SaveAs = {
  what: ExportWhat
  name: string
  several: boolean
  published: boolean
  draft: boolean
  sections?: { guideId: GuideId; of: readonly { id: SectionId; title: string }[] }
}

/** Letter is what is put into printers there; what language a browser speaks tells nothing of its printer. */
const usesLetter = (): boolean => Intl.DateTimeFormat().resolvedOptions().timeZone.startsWith('America/')

/** Has guides written as a file, shows how far that is, and gives it out. Whoever leaves finds it among their files. */
export function SaveAsDialog({ asked, onClose }: { asked: SaveAs; onClose: () => void }) {
  const [made, setMade] = useState<ExportId | null>(null)
  return made === null ? (
    <Choosing asked={asked} onMade={setMade} onClose={onClose} />
  ) : (
    <Coming id={made} asked={asked} onClose={onClose} />
  )
}

/** The formats, and what each is good for. A guide file holds all that is in one guide: it is for those who may edit it. */
function formatOptions(asked: SaveAs, t: TFunction): RadioOption<ExportAs['format']>[] {
  const options: RadioOption<ExportAs['format']>[] = [
    {
      value: 'pdf',
      words: formatName('pdf', t),
      hint: t('Title page, contents, and a code that tells whoever scans it whether this edition still holds.'),
    },
    {
      value: 'word',
      words: formatName('word', t),
      hint: t('Steps are a numbered list, pictures as they are drawn: to go on with in another program.'),
    },
    {
      value: 'page',
      words: formatName('page', t),
      hint: t('One file with everything in it, for any browser: from a memory stick, on a phone, without a network.'),
    },
    { value: 'markdown', words: formatName('markdown', t), hint: t('Plain text with the pictures beside it, in a zip.') },
  ]
  if (!asked.several && asked.draft)
    options.push({ value: 'guide-file', words: formatName('guide-file', t), hint: t('All of the guide, for another Jackdaw to take in.') })
  return options
}

const whatOf = ({ what, sections }: SaveAs, section: SectionId | ''): ExportWhat =>
  sections && section !== '' ? { of: 'section', guideId: sections.guideId, sectionId: section } : what

function Choosing({ asked, onMade, onClose }: { asked: SaveAs; onMade: (id: ExportId) => void; onClose: () => void }) {
  const { t } = useTexts()
  const [paper, setPaper] = useState<'a4' | 'letter'>(usesLetter() ? 'letter' : 'a4')
  const [from, setFrom] = useState<'edition' | 'draft'>(asked.published ? 'edition' : 'draft')
  const [title, setTitle] = useState(asked.several ? asked.name : '')
  const [section, setSection] = useState<SectionId | ''>('')
  const [format, setFormat] = useState<ExportAs['format']>('pdf')
  const create = useCreateExport()
  const submit = (event: FormEvent) => {
    event.preventDefault()
    const order: ExportOrder = {
      what: whatOf(asked, section),
      as: format === 'pdf' ? { format, paper } : { format },
      title,
      draft: from === 'draft',
    }
    create.mutate(order, { onSuccess: ({ id }) => onMade(id) })
  }
  return (
    <FormDialog
      title={t('Save “{{name}}” as a file', { name: asked.name })}
      about={t(
        'To print, to mail, to lay beside the machine, or to go on with elsewhere. What is cropped away or blacked out is not in it.',
      )}
      yes={t('Write the file')}
      sending={t('Asking for it …')}
      send={create}
      onSubmit={submit}
      onClose={onClose}
    >
      {asked.several && (
        <TextField label={t('Title of the booklet')} value={title} maxLength={200} onChange={(event) => setTitle(event.target.value)} />
      )}
      {asked.sections && asked.sections.of.length > 0 && (
        <Select label={t('Which part')} value={section} onChange={chosen((id: SectionId | '') => setSection(id))}>
          <option value="">{t('The whole guide')}</option>
          {asked.sections.of.map(({ id, title: words }) => (
            <option key={id} value={id}>
              {t('Only the section “{{title}}”', { title: words })}
            </option>
          ))}
        </Select>
      )}
      <Radios label={t('As')} value={format} onChange={setFormat} options={formatOptions(asked, t)} />
      {format === 'pdf' && (
        <Radios
          label={t('Paper')}
          value={paper}
          onChange={setPaper}
          options={[
            { value: 'a4', words: t('A4'), hint: t('210 × 297 mm') },
            { value: 'letter', words: t('Letter'), hint: t('8½ × 11 in') },
          ]}
        />
      )}
      {asked.published && asked.draft && (
        <Radios
          label={t('Which state')}
          value={from}
          onChange={setFrom}
          options={[
            { value: 'edition', words: t('As it is published') },
            { value: 'draft', words: t('As the draft stands now'), hint: t('Each page says that it is a draft.') },
          ]}
        />
      )}
    </FormDialog>
  )
}

function Coming({ id, asked, onClose }: { id: ExportId; asked: SaveAs; onClose: () => void }) {
  const { t } = useTexts()
  const { data: row, error } = useExport(id)
  const isReady = row?.state === 'ready'
  return (
    <Dialog open onClose={onClose} title={isReady ? t('The file is ready') : t('Save “{{name}}” as a file', { name: asked.name })}>
      <div className="space-y-4" aria-live="polite">
        {error && <Failed error={error} />}
        {row && isUnderWay(row) && (
          <>
            <ExportProgress row={row} />
            <p className="text-soft">{t('You can close this: the file comes to your inbox and stays among your files for seven days.')}</p>
          </>
        )}
        {row && isReady && (
          <>
            <p>
              <strong>{row.title}</strong>
              <span className="block text-soft">{factsOf(row, t)}</span>
            </p>
            <MissingLetters row={row} />
          </>
        )}
        {row && !isReady && !isUnderWay(row) && <p className="text-brick">{goneWords(row, t)}</p>}
        <div className="flex flex-wrap justify-end items-center gap-2">
          <TextLink to="/exports" className="mr-auto">
            {t('My files')}
          </TextLink>
          <Button onClick={onClose}>{t('Close')}</Button>
          {isReady && (
            <a href={`/exports/${id}/file`} download className={buttonClass('primary')}>
              {t('Save the file')}
            </a>
          )}
        </div>
      </div>
    </Dialog>
  )
}

/** A guide at hand, to be saved as a file. */
export const saveAsOf = (guide: { guideId: GuideId; document: GuideDocument }, there: { published: boolean; draft: boolean }): SaveAs => ({
  what: { of: 'guides', guides: [guide.guideId] },
  name: guide.document.title,
  several: false,
  ...there,
  sections: {
    guideId: guide.guideId,
    of: guide.document.items.flatMap((item) => (item.kind === 'section' ? [{ id: item.id, title: item.title }] : [])),
  },
})
