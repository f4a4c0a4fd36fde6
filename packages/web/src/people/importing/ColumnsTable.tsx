import type { PeoplePreview } from '@jackdaw/contracts/peopleFiles'
import type { Column } from '@jackdaw/core/people'
import { keysOf } from '@jackdaw/core/shared'
import { boxClass } from '../../ui/fields/Frame'
import { useTexts } from '../../ui/words/texts'
import { useGroupKinds } from '../groups/queries'
import { columnWords, factWords } from './columnWords'

/** What each column of the file holds, guessed and put right by hand. */
export function ColumnsTable({
  preview: { heads, columns, sample },
  onChange,
}: {
  preview: PeoplePreview
  onChange: (columns: (Column | null)[]) => void
}) {
  const { t } = useTexts()
  const kinds = useGroupKinds().data ?? []
  const all: Column[] = [...keysOf(factWords(t)), ...kinds.flatMap(({ id }) => (id === 'site' ? [] : [`groups:${id}` as Column]))]
  return (
    <div className="overflow-auto max-h-[50dvh] border border-hair" tabIndex={0} role="region" aria-label={t('Columns')}>
      <table className="w-full text-sm">
        <thead className="sticky top-0 bg-wash text-left">
          <tr>
            <th className="px-3 py-1.5">{t('Column of the file')}</th>
            <th className="px-3 py-1.5">{t('What it holds')}</th>
            <th className="px-3 py-1.5">{t('First lines')}</th>
          </tr>
        </thead>
        <tbody>
          {heads.map((head, at) => (
            <tr key={at} className="border-t border-hair align-top">
              <th scope="row" className="px-3 py-1.5 text-left font-semibold [overflow-wrap:anywhere]" dir="auto">
                {head || t('Column {{n}}', { n: at + 1 })}
              </th>
              <td className="px-3 py-1">
                <select
                  className={`${boxClass()} w-52!`}
                  aria-label={t('What “{{head}}” holds', { head: head || at + 1 })}
                  value={columns[at] ?? ''}
                  onChange={({ target }) =>
                    onChange(columns.map((column, n) => (n === at ? ((target.value || null) as Column | null) : column)))
                  }
                >
                  <option value="">{t('Left out')}</option>
                  {all.map((column) => (
                    <option key={column} value={column}>
                      {columnWords(column, kinds, t)}
                    </option>
                  ))}
                </select>
              </td>
              <td className="px-3 py-1.5 text-soft [overflow-wrap:anywhere]" dir="auto">
                {sample
                  .map((line) => line[at])
                  .filter(Boolean)
                  .join(' · ')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
