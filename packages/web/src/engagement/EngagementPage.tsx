import { Link } from 'react-router'
import { useMe } from '../people'
import { TitleLine, useSearch } from '../ui'
import { useTexts } from '../ui/words/texts'
import { LOOKING, pageAt } from './looking'
import { LookingBar } from './LookingBar'
import { OverTime } from './OverTime'
import { UsedItems } from './UsedItems'

/** How everything is used, to see where the effort should go next. */
export function EngagementPage() {
  const { t } = useTexts()
  const me = useMe()
  const { search, page, set } = useSearch(LOOKING)
  const { by = 'time' } = search
  const tab = (name: 'time' | 'used', words: string) => (
    <Link
      to={pageAt('/engagement', { ...search, by: name })}
      aria-current={by === name ? 'page' : undefined}
      className={`px-4 min-h-10 inline-flex items-center border-b-3 ${by === name ? 'border-petrol font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
    >
      {words}
    </Link>
  )
  return (
    <>
      <title>{t('Engagement – Jackdaw')}</title>
      <TitleLine
        title={t('Engagement')}
        state={
          me.permissions.includes('records.all')
            ? t('How what is written is used by everybody, counted as it happens')
            : t('How what is written is used by those who report to you, counted as it happens')
        }
      />
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6">
        <nav aria-label={t('Engagement by')} className="border-b border-hair mb-2">
          {tab('time', t('Over time'))}
          {tab('used', t('What is used'))}
        </nav>
        <LookingBar {...{ search, set }} inTime={by === 'time'} />
        {by === 'time' ? <OverTime {...{ search, set }} /> : <UsedItems {...{ search, page, set }} />}
      </div>
    </>
  )
}
