import { Button, ButtonLink, chosen, Failed, Message, Select } from '../ui'
import type { ImportReport } from '@jackdaw/contracts/exchange'
import type { Folder } from '@jackdaw/contracts/library'
import type { FolderId } from '@jackdaw/core/shared'
import { useState, type DragEvent } from 'react'
import { useTexts } from '../ui/words/texts'
import { Dialog } from '../ui/over/Dialog'
import { FolderOptions } from './FolderOptions'
import { useImport } from './queries'

/** Brings a document in as a draft; says what came of it before one goes on. */
export function ImportDialog({ folder, folders, onClose }: { folder: FolderId | undefined; folders: Folder[]; onClose: () => void }) {
  const { t } = useTexts()
  const bring = useImport()
  const [over, setOver] = useState(false)
  const [into, setInto] = useState<FolderId | ''>(folder ?? '')
  const take = (file: File | undefined) => {
    if (file && !bring.isPending) bring.mutate({ file, folder: into || undefined })
  }
  const drop = (event: DragEvent) => {
    event.preventDefault()
    setOver(false)
    take(event.dataTransfer.files[0])
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title={t('Import a guide')}
      about={t(
        'A Word file, a page of HTML, a PDF with words, a Markdown file, a zip of one with its pictures, or the file of a whole guide. Headings become the title and the sections; numbered entries, boxes to be ticked and sub-headings become steps; “Warning:”, “Note:” and the like become cautions.',
      )}
    >
      {bring.data ? (
        <Report report={bring.data} onClose={onClose} />
      ) : (
        <div className="space-y-4">
          <Select label={t('Into the folder')} value={into} onChange={chosen((value: FolderId | '') => setInto(value))}>
            <option value="">{t('No folder')}</option>
            <FolderOptions folders={folders} />
          </Select>
          <label
            className={`block border-2 border-dashed p-8 text-center cursor-pointer focus-within:outline-2 focus-within:outline-petrol ${over ? 'border-petrol bg-wash' : 'border-edge'}`}
            onDragOver={(event) => {
              event.preventDefault()
              setOver(true)
            }}
            onDragLeave={() => setOver(false)}
            onDrop={drop}
          >
            <input
              type="file"
              accept=".docx,.html,.htm,.pdf,.md,.markdown,.txt,.zip"
              className="sr-only"
              disabled={bring.isPending}
              onChange={(event) => {
                take(event.target.files?.[0])
                event.target.value = ''
              }}
            />
            {bring.isPending ? (
              <span role="status">{t('Reading the file …')}</span>
            ) : (
              <>
                {t('Drop the file here, or')} <span className="text-petrol underline">{t('choose it')}</span>
              </>
            )}
          </label>
          {bring.isError && <Failed error={bring.error} />}
        </div>
      )}
    </Dialog>
  )
}

function Report({ report, onClose }: { report: ImportReport; onClose: () => void }) {
  const { t } = useTexts()
  const lines = report.notPlaced.length
  return (
    <div className="space-y-4">
      <Message tone="good" title={t('“{{title}}” is a draft now', { title: report.title })}>
        {t('{{count}} steps', { count: report.steps })}, {t('{{count}} sections', { count: report.sections })},{' '}
        {t('{{count}} pictures', { count: report.pictures })}
      </Message>
      {report.rough && (
        <Message tone="warn" title={t('A rough start')}>
          {t('A PDF tells only how things look. Go through the steps: what belongs together, and where the pictures stand.')}
        </Message>
      )}
      {report.missingPictures.length > 0 && (
        <details open>
          <summary className="font-semibold">
            {t('Pictures that are missing')} ({report.missingPictures.length})
          </summary>
          <ul className="text-sm max-h-40 overflow-auto">
            {report.missingPictures.map((each, index) => (
              <li key={index}>
                <code>{each.path}</code>: {each.why}
              </li>
            ))}
          </ul>
        </details>
      )}
      {lines > 0 && (
        <details>
          <summary className="font-semibold">{t('{{count}} lines hold words that have no place in a guide', { count: lines })}</summary>
          <ul className="text-sm max-h-60 overflow-auto mt-1">
            {report.notPlaced.map((each) => (
              <li key={each.line} className="border-b border-hair py-1">
                <span className="text-soft">{t('Line {{n}}', { n: each.line })}:</span>{' '}
                <code className="[overflow-wrap:anywhere]">{each.text}</code>
                <span className="block text-soft">{each.words.join(', ')}</span>
              </li>
            ))}
          </ul>
        </details>
      )}
      {report.notHere.length > 0 && (
        <details open>
          <summary className="font-semibold">
            {t('What the guide refers to and is not here')} ({report.notHere.length})
          </summary>
          <ul className="text-sm max-h-40 overflow-auto">
            {report.notHere.map((each, index) => (
              <li key={index}>{each}</li>
            ))}
          </ul>
        </details>
      )}
      {report.otherFiles.length > 0 && (
        <details>
          <summary className="font-semibold">
            {t('Files of the zip that were not used')} ({report.otherFiles.length})
          </summary>
          <ul className="text-sm max-h-40 overflow-auto">
            {report.otherFiles.map((path) => (
              <li key={path}>{path}</li>
            ))}
          </ul>
        </details>
      )}
      <div className="flex justify-end gap-2">
        <Button onClick={onClose}>{t('Close')}</Button>
        <ButtonLink look="primary" to={`/guides/${report.id}/edit`}>
          {t('Open the draft')}
        </ButtonLink>
      </div>
    </div>
  )
}
