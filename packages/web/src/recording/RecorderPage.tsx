import { getRecorderZip, type Recorder } from '@jackdaw/contracts/recording'
import { Download } from 'lucide-react'
import { useState, type ReactNode } from 'react'
import { useTexts } from '../ui/words/texts'
import { addressOf } from '@jackdaw/contracts/endpoint'
import { Button, buttonClass, Failed, Loaded, Message, momentOf, Table, TitleLine } from '../ui'
import { Question } from '../ui/over/Question'
import type { Column } from '../ui/table/columns'
import { RecordDialog } from './RecordDialog'
import { useExtension, useNewCode, usePairHere, useRecorders, useRevoke } from './queries'

function Stage({ n, title, done, children }: { n: number; title: string; done?: string | undefined; children: ReactNode }) {
  return (
    <li className="grid grid-cols-[44px_minmax(0,1fr)] gap-x-3 py-5 border-b border-hair">
      <span
        className="h-7 w-9 flex items-center justify-center bg-ink text-white text-sm font-semibold tabular-nums [clip-path:polygon(0_0,calc(100%-7px)_0,100%_7px,100%_100%,0_100%)]"
        aria-hidden
      >
        {n}
      </span>
      <div>
        <h2 className="font-serif text-lg leading-7">
          {title}
          {done && <span className="ml-3 text-sm font-sans font-semibold text-moss">✓ {done}</span>}
        </h2>
        <div className="mt-2 space-y-3">{children}</div>
      </div>
    </li>
  )
}

/** The extension in this browser; nothing when there is none. */
type Here = Extract<NonNullable<ReturnType<typeof useExtension>['data']>, { ok: true }> | null

/** How to get the recorder, pair it, and which browsers record in one's name. */
export function RecorderPage() {
  const { t } = useTexts()
  const extension = useExtension()
  const code = useNewCode()
  const recorders = useRecorders(code.data !== undefined)
  const [recording, setRecording] = useState(false)
  const here: Here = extension.data?.ok ? extension.data : null
  return (
    <>
      <title>{t('Recorder – Jackdaw')}</title>
      <TitleLine title={t('Recorder')} state={t('Do the work once in your browser; the steps, pictures and frames are made from it.')}>
        {here?.paired && (
          <Button look="primary" onClick={() => setRecording(true)}>
            {t('Record a guide')}
          </Button>
        )}
      </TitleLine>
      <div className="bg-sheet grow border-t border-hair">
        <div className="max-w-[780px] mx-auto px-4 md:px-8 pb-16">
          <ol>
            <Getting here={here} />
            <Pairing here={here} code={code} />
            <Stage n={3} title={t('Browsers that record in your name')}>
              <Loaded query={recorders}>{(rows) => <Paired rows={rows} />}</Loaded>
            </Stage>
          </ol>
        </div>
      </div>
      {recording && (
        <RecordDialog target={null} into={t('Every action becomes a step of a new guide.')} onClose={() => setRecording(false)} />
      )}
    </>
  )
}

function Getting({ here }: { here: Here }) {
  const { t } = useTexts()
  return (
    <Stage n={1} title={t('Get the extension')} done={here ? t('Version {{v}} is in this browser', { v: here.version }) : undefined}>
      <p>
        {t('For Chrome, Edge and other browsers of that family, version 120 or newer. It is made for this Jackdaw and speaks to no other.')}
      </p>
      <a className={buttonClass(here ? 'plain' : 'primary')} href={addressOf(getRecorderZip)} download>
        <Download size={17} aria-hidden />
        {t('Download the extension (zip)')}
      </a>
      <ul className="list-disc pl-5 space-y-1">
        <li>{t('Unpack the zip to a folder that stays where it is.')}</li>
        <li>
          {t('Open the extensions page of the browser: type')} <kbd className="font-mono text-sm">chrome://extensions</kbd>{' '}
          {t('in the address bar.')}
        </li>
        <li>{t('Switch on “Developer mode”, select “Load unpacked” and choose the folder jackdaw-recorder.')}</li>
        <li>{t('Pin it to the toolbar, then come back to this page.')}</li>
      </ul>
      <p className="text-sm text-soft">
        {t(
          'Your IT can install it for everybody by policy instead. It looks at pages only while you record: it asks for leave when a recording starts and gives it back at the end.',
        )}
      </p>
    </Stage>
  )
}

function Pairing({ here, code }: { here: Here; code: ReturnType<typeof useNewCode> }) {
  const { t } = useTexts()
  const pairHere = usePairHere()
  return (
    <Stage n={2} title={t('Pair it with your account')} done={here?.paired ? t('This browser is paired') : undefined}>
      {here && !here.paired && (
        <Button look="primary" disabled={pairHere.isPending} onClick={() => pairHere.mutate()}>
          {pairHere.isPending ? t('Pairing …') : t('Pair this browser')}
        </Button>
      )}
      {pairHere.isError && <Failed error={pairHere.error} />}
      <p>{t('Or get a code and type it in the extension: select its icon in the toolbar. This also works for another browser.')}</p>
      <Button disabled={code.isPending} onClick={() => code.mutate()}>
        {code.data ? t('Show a new code') : t('Show a code')}
      </Button>
      {code.isError && <Failed error={code.error} />}
      {code.data && (
        <p role="status" aria-label={t('Code for pairing')}>
          <span className="font-mono text-2xl tracking-widest font-semibold border-l-4 border-kingfisher pl-3">{code.data.code}</span>
          <span className="block text-sm text-soft mt-1">
            {t('Holds until {{when}}, for one browser.', { when: momentOf(code.data.validUntil) })}
          </span>
        </p>
      )}
    </Stage>
  )
}

function Paired({ rows }: { rows: readonly Recorder[] }) {
  const { t } = useTexts()
  const revoke = useRevoke()
  const [ending, setEnding] = useState<Recorder | null>(null)
  const columns: Column<Recorder>[] = [
    { id: 'browser', head: t('Browser'), cell: (row) => row.name },
    { id: 'paired', head: t('Paired'), cell: (row) => momentOf(row.pairedAt) },
    { id: 'seen', head: t('Last seen'), cell: (row) => momentOf(row.seenAt) },
    {
      id: 'actions',
      head: t('Actions'),
      hidden: true,
      className: 'text-right',
      cell: (row) => (
        <Button
          look="quiet"
          aria-label={t('End the pairing: {{name}}, paired {{when}}', { name: row.name, when: momentOf(row.pairedAt) })}
          onClick={() => setEnding(row)}
        >
          {t('End the pairing')}
        </Button>
      ),
    },
  ]
  return (
    <>
      {revoke.isSuccess && <Message title={t('The pairing has ended. That browser can send nothing any more.')} />}
      <Table
        label={t('Browsers that record in your name')}
        {...{ rows, columns }}
        keyOf={(row) => row.id}
        empty={<p className="text-soft">{t('None yet. A browser stands here once it is paired.')}</p>}
      />
      {ending && (
        <Question
          title={t('End the pairing of {{name}}?', { name: ending.name })}
          about={t('It can send nothing any more, not even a recording that is under way. To record there again it has to be paired anew.')}
          yes={t('End the pairing')}
          pending={revoke.isPending}
          error={revoke.error}
          onNo={() => setEnding(null)}
          onYes={() => revoke.mutate(ending.id, { onSuccess: () => setEnding(null) })}
        />
      )}
    </>
  )
}
