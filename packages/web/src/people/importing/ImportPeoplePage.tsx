import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import { FileEncoding, MOST_PEOPLE_FILE_BYTES, type PeoplePreview, type takePeopleIn } from '@jackdaw/contracts/peopleFiles'
import { csvHead, csvLines, type GroupId } from '@jackdaw/core/shared'
import { useState, type DragEvent } from 'react'
import { saveFile } from '../../api'
import { Button, ButtonLink, Check, chosen as choose, Failed, Loaded, Message, Select, TextButton, TitleLine } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { InvitationTimeField, timeOf, type ChosenTime } from '../account/InvitationTimeField'
import { useGroupRows } from '../groups/queries'
import { ColumnsTable } from './ColumnsTable'
import { LinesFound } from './LinesFound'
import { usePreview, useTakeIn, type ChosenFile } from './queries'

/** Adds and changes many people by a file: chosen, looked at, put right, taken in. */
export function ImportPeoplePage() {
  const { t } = useTexts()
  const [chosen, setChosen] = useState<ChosenFile | null>(null)
  const [done, setDone] = useState<ResponseOf<typeof takePeopleIn> | null>(null)
  return (
    <>
      <title>{t('People from a file – Jackdaw')}</title>
      <TitleLine title={t('People from a file')} state={chosen?.file.name}>
        {chosen && !done && <Button onClick={() => setChosen(null)}>{t('Another file')}</Button>}
        <ButtonLink to="/people">{t('Back to the directory')}</ButtonLink>
      </TitleLine>
      <div className="bg-sheet grow px-4 md:px-6 py-5">
        <Loaded query={useGroupRows()}>
          {(groups) => {
            const sites = groups.filter(({ kind }) => kind === 'site')
            const first = sites[0]
            if (!first) return <p>{t('Make a site first: everybody has a place of work.')}</p>
            if (done) return <Done done={done} again={() => (setDone(null), setChosen(null))} />
            if (!chosen)
              return (
                <ChooseFile
                  onChoose={(file) => setChosen({ file, key: Date.now(), site: first.id, columns: null, encoding: null, newGroups: false })}
                />
              )
            return <Looked key={chosen.key} {...{ chosen, sites }} onChange={setChosen} onDone={setDone} />
          }}
        </Loaded>
      </div>
    </>
  )
}

const EXAMPLE_HEADS = ['Number', 'Name', 'Mail', 'Job title', 'First day', 'Site', 'Department', 'Team', 'Role', 'Reports to']

function ChooseFile({ onChoose }: { onChoose: (file: File) => void }) {
  const { t } = useTexts()
  const [over, setOver] = useState(false)
  const [tooLarge, setTooLarge] = useState(false)
  const take = (file: File | undefined) => {
    setTooLarge(file !== undefined && file.size > MOST_PEOPLE_FILE_BYTES)
    if (file && file.size <= MOST_PEOPLE_FILE_BYTES) onChoose(file)
  }
  const drop = (event: DragEvent) => {
    event.preventDefault()
    setOver(false)
    take(event.dataTransfer.files[0])
  }
  const example = () => saveFile(new Blob([csvHead(EXAMPLE_HEADS), csvLines([])], { type: 'text/csv;charset=utf-8' }), 'people.csv')
  return (
    <div className="max-w-3xl space-y-4">
      <p>
        {t(
          'A list as CSV or as a workbook (XLSX): one line for each person, the names of the columns in the first line. Somebody whose personnel number or mail address is known already is changed, everybody else is added; an empty cell leaves things as they are. Nothing is kept before you have seen what the list does.',
        )}
      </p>
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
          accept=".csv,.txt,.tsv,.xlsx"
          className="sr-only"
          onChange={(event) => {
            take(event.target.files?.[0])
            event.target.value = ''
          }}
        />
        {t('Drop the file here, or')} <span className="text-petrol underline">{t('choose it')}</span>
      </label>
      {tooLarge && <Message tone="bad" title={t('A file may have 50 MB. Divide it into several.')} role="alert" />}
      <p className="text-sm text-soft">
        <TextButton onClick={example}>{t('A list to begin from')}</TextButton>
      </p>
    </div>
  )
}

type Site = { id: GroupId; name: string }
function Looked({
  chosen,
  sites,
  onChange,
  onDone,
}: {
  chosen: ChosenFile
  sites: readonly Site[]
  onChange: (chosen: ChosenFile) => void
  onDone: (done: ResponseOf<typeof takePeopleIn>) => void
}) {
  const { t } = useTexts()
  const query = usePreview(chosen)
  const { data, isFetching, error } = query
  if (!data && isFetching) return <p role="status">{t('Reading the file …')}</p>
  if (!data) return <Failed error={error} again={() => void query.refetch()} />
  return (
    <div className="grid lg:grid-cols-[minmax(0,5fr)_minmax(0,6fr)] gap-6 items-start">
      <div className="space-y-4 min-w-0">
        <ColumnsTable preview={data} onChange={(columns) => onChange({ ...chosen, columns })} />
        <Check
          label={t('Make groups that are not there yet')}
          checked={chosen.newGroups}
          onChange={({ target }) => onChange({ ...chosen, newGroups: target.checked })}
        />
        <div className="grid sm:grid-cols-2 gap-3">
          <Select
            label={t('Site of newcomers without one')}
            value={chosen.site}
            onChange={choose((site: GroupId) => onChange({ ...chosen, site }))}
          >
            {sites.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Select>
          {data.encoding && (
            <Select
              label={t('Letters are read as')}
              hint={t('Change it when accents look wrong.')}
              value={data.encoding}
              onChange={choose((encoding: FileEncoding) => onChange({ ...chosen, encoding }))}
            >
              {FileEncoding.options.map((each) => (
                <option key={each} value={each}>
                  {each.toUpperCase()}
                </option>
              ))}
            </Select>
          )}
        </div>
      </div>
      <div className={`space-y-5 min-w-0 ${isFetching ? 'opacity-60' : ''}`} aria-busy={isFetching}>
        {error ? (
          <Failed error={error} />
        ) : data.fault ? (
          <Message tone="warn" title={t(data.fault)} />
        ) : (
          <>
            <LinesFound preview={data} chosen={chosen} />
            <TakeIn {...{ chosen, preview: data, onDone }} waits={isFetching} lookAgain={() => void query.refetch()} />
          </>
        )}
      </div>
    </div>
  )
}

function TakeIn({
  chosen,
  preview: { counts, withMail, seen },
  waits,
  lookAgain,
  onDone,
}: {
  chosen: ChosenFile
  preview: PeoplePreview
  waits: boolean
  lookAgain: () => void
  onDone: (done: ResponseOf<typeof takePeopleIn>) => void
}) {
  const { t } = useTexts()
  const take = useTakeIn()
  const [time, setTime] = useState<ChosenTime>({ when: 'not-yet', day: '' })
  const count = counts.added + counts.changed + counts.returned
  const invite = timeOf(time)
  if (count === 0)
    return <p>{counts.wrong > 0 ? t('Mend the lines, then choose the file again.') : t('Everything in this file is known already.')}</p>
  return (
    <div className="border-t-2 border-ink pt-4 space-y-4">
      {withMail > 0 && (
        <>
          <p className="text-sm">{t('{{count}} newcomers have a mail address and get an invitation.', { count: withMail })}</p>
          <InvitationTimeField value={time} onChange={setTime} />
        </>
      )}
      {take.isError && <Failed error={take.error} again={() => (take.reset(), lookAgain())} />}
      <Button
        look="primary"
        disabled={waits || take.isPending || invite === null}
        onClick={() => invite !== null && take.mutate({ chosen, seen, withoutWrong: counts.wrong > 0, invite }, { onSuccess: onDone })}
      >
        {take.isPending
          ? t('Taking them in …')
          : counts.wrong > 0
            ? t('Take in all but the {{count}} wrong lines', { count: counts.wrong })
            : t('Take in {{count}} lines', { count })}
      </Button>
    </div>
  )
}

function Done({ done: { counts, newGroups, invited }, again }: { done: ResponseOf<typeof takePeopleIn>; again: () => void }) {
  const { t } = useTexts()
  const said = [
    counts.added > 0 && t('{{count}} people are new', { count: counts.added }),
    counts.changed > 0 && t('{{count}} people are changed', { count: counts.changed }),
    counts.returned > 0 && t('{{count}} people have returned', { count: counts.returned }),
    newGroups > 0 && t('{{count}} groups are made', { count: newGroups }),
    invited > 0 && t('{{count}} invitations are prepared', { count: invited }),
    counts.wrong > 0 && t('{{count}} lines were left out', { count: counts.wrong }),
  ].filter(Boolean)
  return (
    <div className="max-w-3xl space-y-4">
      <Message tone="good" title={t('The file is taken in')}>
        <ul>
          {said.map((words) => (
            <li key={String(words)}>{words}</li>
          ))}
        </ul>
      </Message>
      <div className="flex gap-2">
        <ButtonLink look="primary" to="/people">
          {t('To the directory')}
        </ButtonLink>
        <Button onClick={again}>{t('Another file')}</Button>
      </div>
    </div>
  )
}
