import type { Application } from '@jackdaw/contracts/applications'
import { useState } from 'react'
import { Button, Failed, Loaded, momentOf, Table, TextField, TitleLine } from '../ui'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { useApplications, useConnectApplication, useDisconnectApplication } from './queries'

/** Applications that may tell what people did in them. */
export function ApplicationsPage() {
  const { t } = useTexts()
  const query = useApplications()
  const disconnect = useDisconnectApplication()
  const [asked, setAsked] = useState<Application['id'] | null>(null)
  const columns: Column<Application>[] = [
    { id: 'name', head: t('Application'), cell: ({ name }) => <span className="font-semibold">{name}</span> },
    { id: 'scopes', head: t('May'), cell: () => t('tell what people did in it') },
    { id: 'owner', head: t('In the name of'), line: true, cell: ({ owner }) => owner.name },
    { id: 'used', head: t('Last called'), line: true, cell: ({ usedAt }) => (usedAt === null ? t('never') : momentOf(usedAt)) },
    {
      id: 'end',
      head: t('Disconnect'),
      hidden: true,
      cell: ({ id, name }) =>
        asked === id ? (
          <Button disabled={disconnect.isPending} onClick={() => disconnect.mutate(id)}>
            {t('Yes, disconnect {{name}}', { name })}
          </Button>
        ) : (
          <Button look="quiet" aria-label={t('Disconnect {{name}} …', { name })} onClick={() => setAsked(id)}>
            {t('Disconnect …')}
          </Button>
        ),
    },
  ]
  return (
    <Loaded query={query}>
      {(rows) => (
        <>
          <title>{t('Applications – Jackdaw')}</title>
          <TitleLine title={t('Applications')} state={t('Other programs that may tell what people did in them, for goals')} />
          <div className="bg-sheet grow border-t border-hair px-4 md:px-6 pb-8">
            <Connect />
            {disconnect.isError && <Failed error={disconnect.error} />}
            <Table
              label={t('Applications')}
              {...{ rows, columns }}
              keyOf={({ id }) => id}
              empty={<p className="py-6 max-w-prose">{t('No application is connected.')}</p>}
            />
          </div>
        </>
      )}
    </Loaded>
  )
}

/** Connects an application, and shows its token, once. */
function Connect() {
  const { t } = useTexts()
  const connect = useConnectApplication()
  const [name, setName] = useState('')
  const example = (token: string) =>
    `curl ${location.origin}/api/connected/acts -H 'authorization: Bearer ${token}' -H 'content-type: application/json' \\
  -d '{"acts":[{"id":"order-1-saved","person":"ada@example.org","name":"order-saved","at":${Date.UTC(2026, 0, 5, 9)}}]}'`
  return (
    <>
      <form
        className="flex flex-wrap items-end gap-3 py-3"
        onSubmit={(event) => {
          event.preventDefault()
          if (name.trim() !== '' && !connect.isPending) connect.mutate(name.trim(), { onSuccess: () => setName('') })
        }}
      >
        <div className="grow max-w-md">
          <TextField
            label={t('What the application is called')}
            value={name}
            maxLength={100}
            onChange={(event) => setName(event.target.value)}
          />
        </div>
        <Button type="submit" look="primary" disabled={name.trim() === '' || connect.isPending}>
          {t('Connect it')}
        </Button>
      </form>
      {connect.isError && <Failed error={connect.error} />}
      {connect.data && (
        <div className="border-l-4 border-petrol pl-4 py-2 mb-4" role="status">
          <p className="max-w-prose">{t('Copy its token now: it is not shown again. Whoever has it can tell of acts in your name.')}</p>
          <p className="font-mono break-all py-2 select-all">{connect.data.token}</p>
          <pre className="text-sm overflow-x-auto whitespace-pre-wrap break-all" aria-label={t('How it is used')}>
            {example(connect.data.token)}
          </pre>
        </div>
      )}
    </>
  )
}
