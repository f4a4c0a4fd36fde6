import type { Release } from '@jackdaw/contracts/engagement'
import { MOST_NAME } from '@jackdaw/contracts/engagement'
import type { LocalDate, ReleaseId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { useMe } from '../people'
import { Button, dayAndYearOf, DateField, Failed, Loaded, Table, TextField, TextLink, TitleLine } from '../ui'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { pageAt, todayHere, betweenReleases } from './looking'
import { useReleases, useRemoveRelease, useSetRelease } from './queries'

/** Days from which something is different, between which use is looked at. */
export function ReleasesPage() {
  const { t } = useTexts()
  const mayChange = useMe().permissions.includes('guides.all')
  const query = useReleases(true)
  const remove = useRemoveRelease()
  return (
    <Loaded query={query}>
      {(releases) => {
        const spans = betweenReleases(releases, todayHere())
        const columns: Column<Release>[] = [
          { id: 'day', head: t('Day'), line: true, cell: ({ day }) => dayAndYearOf(day) },
          { id: 'name', head: t('What is different from then on'), cell: ({ name }) => <span className="font-semibold">{name}</span> },
          {
            id: 'look',
            head: t('Figures'),
            cell: ({ id }) => {
              const span = spans.find((each) => each.id === id)
              return (
                span && (
                  <TextLink to={pageAt('/engagement', { days: 'own', from: span.from, to: span.to })}>
                    {span.until === null ? t('from then on') : t('until “{{until}}”', { until: span.until })}
                  </TextLink>
                )
              )
            },
          },
          ...(mayChange
            ? [
                {
                  id: 'remove',
                  head: t('Take away'),
                  hidden: true as const,
                  cell: ({ id, name }: Release) => (
                    <Button
                      look="quiet"
                      aria-label={t('Take away {{name}}', { name })}
                      disabled={remove.isPending}
                      onClick={() => remove.mutate(id)}
                    >
                      {t('Take away')}
                    </Button>
                  ),
                },
              ]
            : []),
        ]
        return (
          <>
            <title>{t('Releases – Jackdaw')}</title>
            <TitleLine
              where={{ to: '/engagement', name: t('Engagement') }}
              title={t('Releases')}
              state={t('Days from which something is different: figures can be looked at from one to the next')}
            />
            <div className="bg-sheet grow border-t border-hair px-4 md:px-6 pb-8">
              {mayChange && <NewRelease />}
              {remove.isError && <Failed error={remove.error} />}
              <Table
                label={t('Releases')}
                rows={releases}
                columns={columns}
                keyOf={({ id }) => id}
                empty={
                  <p className="py-6">{t('No day has a name yet: name that on which a program, a machine or a way of working changed.')}</p>
                }
              />
            </div>
          </>
        )
      }}
    </Loaded>
  )
}

function NewRelease() {
  const { t } = useTexts()
  const save = useSetRelease()
  const [name, setName] = useState('')
  const [day, setDay] = useState<LocalDate>(todayHere)
  return (
    <form
      className="flex flex-wrap items-end gap-3 py-3"
      onSubmit={(event) => {
        event.preventDefault()
        if (name.trim() === '' || save.isPending) return
        save.mutate({ id: nanoid<ReleaseId>(), name: name.trim(), day }, { onSuccess: () => setName('') })
      }}
    >
      <DateField label={t('Day')} value={day} onChange={setDay} />
      <div className="grow max-w-md">
        <TextField
          label={t('What is different from then on')}
          value={name}
          maxLength={MOST_NAME}
          onChange={(event) => setName(event.target.value)}
        />
      </div>
      <Button type="submit" look="primary" disabled={name.trim() === '' || save.isPending}>
        {t('Name the day')}
      </Button>
      {save.isError && <Failed error={save.error} />}
    </form>
  )
}
