import type { GuestVisit } from '@jackdaw/contracts/sharing'
import type { GuideId } from '@jackdaw/core/shared'
import { useState } from 'react'
import { lengthOf, Loaded, momentOf, Table, whenOf } from '../ui'
import { useSettled } from '../ui/fields/useSettled'
import { TextField } from '../ui/fields/Field'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { useGuestVisits } from './queries'

/** Visits of guests, found by the number under which they came. */
export function GuestVisits({ guideId }: { guideId: GuideId }) {
  const { t } = useTexts()
  const [number, setNumber] = useState('')
  const wanted = useSettled(number.trim())
  const query = useGuestVisits(guideId, wanted)
  const columns: Column<GuestVisit>[] = [
    {
      id: 'number',
      head: t('Number'),
      cell: (row) => (row.number === null ? <span className="text-soft">–</span> : <strong>{row.number}</strong>),
    },
    { id: 'began', head: t('When'), line: true, cell: (row) => <time title={momentOf(row.beganAt)}>{whenOf(row.beganAt)}</time> },
    { id: 'edition', head: t('Edition'), from: 'sm', className: 'tabular-nums', cell: (row) => row.edition },
    { id: 'seen', head: t('Steps seen'), className: 'tabular-nums', cell: (row) => row.seen },
    { id: 'time', head: t('Active time'), from: 'sm', line: true, className: 'tabular-nums', cell: (row) => lengthOf(row.activeMs) },
    {
      id: 'end',
      head: t('Said “Done”'),
      line: true,
      cell: (row) => (row.finishedAt === null ? <span className="text-soft">{t('no')}</span> : whenOf(row.finishedAt)),
    },
  ]
  return (
    <section className="space-y-3">
      <h2 className="text-lg border-b-2 border-ink">{t('Visits')}</h2>
      <div className="w-72 max-w-full">
        <TextField
          label={t('Find by number')}
          placeholder={t('Session, job or vehicle')}
          maxLength={40}
          value={number}
          onChange={(event) => setNumber(event.target.value)}
        />
      </div>
      <Loaded query={query}>
        {(rows) => (
          <Table
            label={t('Visits')}
            {...{ rows, columns }}
            keyOf={(row) => row.id}
            empty={<p>{wanted === '' ? t('Nobody has come by a link yet.') : t('Nobody has come under this number.')}</p>}
          />
        )}
      </Loaded>
    </section>
  )
}
