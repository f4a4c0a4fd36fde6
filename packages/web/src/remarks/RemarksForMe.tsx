import { Link } from 'react-router'
import { whenOf } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useMyRemarks } from './queries'

/** On the first page of somebody who owns guides: what readers say is wrong in them. */
export function RemarksForMe() {
  const { t } = useTexts()
  const found = useMyRemarks(true).data
  if (!found || found.total === 0) return null
  return (
    <section aria-labelledby="wrong" className="mb-10">
      <h2 id="wrong" className="text-lg mb-1">
        {t('Readers say that something is wrong')} <span className="text-soft font-normal">({found.total})</span>
      </h2>
      <ul className="bg-sheet border-t-2 border-ink">
        {found.rows.map((remark) => (
          <li key={remark.id} className="border-b border-hair">
            <Link to={`/guides/${remark.guideId}/edit?step=${remark.stepId}`} className="block px-3 py-2 hover:bg-wash">
              <span className="block [overflow-wrap:anywhere]">{remark.words}</span>
              <span className="block text-sm text-soft">
                {remark.title}, {t('step {{n}}', { n: remark.position })} · {remark.by.name}, {whenOf(remark.at)}
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  )
}
