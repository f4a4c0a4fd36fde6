import { useIds } from '../ui/search/useIds'
import { getPersonRecordsCsv, type PersonItem } from '@jackdaw/contracts/records'
import { itemKey, pathOfItem } from '@jackdaw/core/items'
import type { PersonId } from '@jackdaw/core/shared'
import { Download } from 'lucide-react'
import { useTexts } from '../ui/words/texts'
import { Link } from 'react-router'
import { addressOf } from '@jackdaw/contracts/endpoint'
import { recordOfPerson, recordsOf } from '../items'
import { useMe } from '../people'
import {
  ButtonLink,
  buttonClass,
  dayAndYearOf,
  dayOf,
  lengthOf,
  Loaded,
  momentOf,
  StateMark,
  Table,
  TextLink,
  TitleLine,
  whenOf,
} from '../ui'
import type { Column } from '../ui/table/columns'
import { usePersonRecords } from './queries'
import { Claimed } from './Claimed'
import { WaysUsedWords } from './WaysUsedWords'

/** One person's records: what they have been given or have opened, and how far they are. */
export function PersonPage() {
  const { t } = useTexts()
  const me = useMe()
  const { id } = useIds<{ id: PersonId }>()
  const query = usePersonRecords(id)
  const mine = me.id === id
  return (
    <Loaded query={query}>
      {({ person, rows }) => (
        <>
          <title>{`${person.name} – ${t('Records')} – Jackdaw`}</title>
          <TitleLine
            {...(mine ? {} : { where: { to: '/records?by=people', name: t('Records') } })}
            title={mine ? t('My records') : person.name}
            state={`${person.department}, ${person.site} · ${t('{{done}} of {{count}} done', { done: rows.filter((row) => row.state === 'done').length, count: rows.length })}`}
          >
            <ButtonLink to={`/records/people/${id}/use`}>{mine ? t('What I used') : t('What they used')}</ButtonLink>
            <a className={buttonClass('plain')} href={addressOf(getPersonRecordsCsv, { id })} download>
              <Download size={16} aria-hidden />
              {t('CSV')}
            </a>
          </TitleLine>
          <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-3">
            <PersonItems {...{ id, mine, rows }} />
          </div>
        </>
      )}
    </Loaded>
  )
}

/** By when it is to be done, or from when again. */
function DueCell({ row: { dueOn, state, againOn } }: { row: PersonItem }) {
  const { t } = useTexts()
  if (againOn !== null) return t('again from {{day}}', { day: dayAndYearOf(againOn) })
  return dueOn && state !== 'done' ? dayOf(dueOn) : '–'
}

function PersonItems({ id, mine, rows }: { id: PersonId; mine: boolean; rows: readonly PersonItem[] }) {
  const { t } = useTexts()
  const columns: Column<PersonItem>[] = [
    { id: 'item', head: t('What'), className: 'min-w-44', cell: (row) => <ItemCell {...{ id, mine, row }} /> },
    {
      id: 'state',
      head: t('State'),
      cell: (row) => (
        <>
          <StateMark state={row.state} dueOn={row.dueOn} />
          <Claimed record={row} />
        </>
      ),
    },
    { id: 'due', head: t('Due'), line: true, cell: (row) => <DueCell row={row} /> },
    {
      id: 'seen',
      head: t('Steps read'),
      from: 'sm',
      line: true,
      cell: (row) => (row.parts === 0 ? '–' : `${Math.min(row.seen, row.parts)} / ${row.parts}`),
    },
    { id: 'time', head: t('Time reading'), from: 'md', line: true, cell: (row) => (row.parts === 0 ? '–' : lengthOf(row.activeMs)) },
    { id: 'last', head: t('Last activity'), from: 'md', line: true, cell: (row) => (row.lastAt === null ? '–' : whenOf(row.lastAt)) },
    {
      id: 'finished',
      head: t('Finished'),
      from: 'md',
      line: true,
      cell: (row) => (row.finishedAt === null ? '–' : `${momentOf(row.finishedAt)}, ${t('edition {{n}}', { n: row.finishedEdition })}`),
    },
  ]
  return (
    <Table
      label={t('Records')}
      {...{ rows, columns }}
      keyOf={(row) => itemKey(row.item)}
      empty={<p className="py-4">{t('Nothing has been given to this person, and they have opened nothing.')}</p>}
    />
  )
}

function ItemCell({ id, mine, row }: { id: PersonId; mine: boolean; row: PersonItem }) {
  const { t } = useTexts()
  return (
    <>
      <Link to={mine ? pathOfItem(row.item) : recordsOf(row.item)} className="font-semibold hover:underline">
        {row.title}
      </Link>
      {!row.assigned && <span className="block text-xs text-soft">{t('not assigned')}</span>}
      <span className="block">
        <WaysUsedWords ways={row.ways} to={recordOfPerson(id, row.item)} />
        <TextLink to={recordOfPerson(id, row.item)} className="text-xs" aria-label={t('Details: {{title}}', { title: row.title })}>
          {t('Details')}
        </TextLink>
      </span>
    </>
  )
}
