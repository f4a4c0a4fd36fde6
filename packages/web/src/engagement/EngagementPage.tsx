import { Link } from 'react-router'
import { useMe } from '../people'
import { ButtonLink, Loaded, TitleLine, useSearch } from '../ui'
import { useTexts } from '../ui/words/texts'
import { CountedRows } from './CountedRows'
import { figureWords } from './figureWords'
import { daysIn, LOOKING, pageAt, scopeIn, type Look, type Looking } from './looking'
import { LookedAtOnly, LookingBar } from './LookingBar'
import { OverTime } from './OverTime'
import { Owners, Readers } from './PeopleLists'
import { keptOf, PutOnPage } from './pages/PutOnPage'
import { useCountedRows } from './queries'
import { Sought } from './Sought'
import { TimedSteps } from './TimedSteps'
import { UsedItems } from './UsedItems'

/** How everything is used, to see where the effort should go next. */
export function EngagementPage() {
  const { t } = useTexts()
  const me = useMe()
  const { search, page, set } = useSearch(LOOKING)
  const { by = 'time' } = search
  const names = {
    time: figureWords(t)[search.shown ?? 'views'].name,
    used: t('What is used'),
    steps: t('What takes long'),
    readers: t('Who uses it'),
    owners: t('Who writes it'),
    sought: t('What is sought'),
  }
  const tab = (name: typeof by, words: string) => (
    <Link
      to={pageAt('/engagement', { ...search, by: name, sort: undefined, direction: undefined })}
      aria-current={by === name ? 'page' : undefined}
      className={`px-4 min-h-11 inline-flex items-center whitespace-nowrap border-b-3 ${by === name ? 'border-petrol font-semibold' : 'border-transparent text-soft hover:text-ink'}`}
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
      >
        {me.permissions.includes('guides.write') && !me.permissions.includes('records.all') && (
          <ButtonLink to="/engagement/own">{t('What I own')}</ButtonLink>
        )}
        {me.permissions.includes('company.settings') && <ButtonLink to="/engagement/rules">{t('Rules')}</ButtonLink>}
        {by !== 'last' && <PutOnPage part={{ shows: by, goal: null, looking: keptOf(search) }} name={names[by]} />}
        <ButtonLink to="/engagement/pages">{t('Pages')}</ButtonLink>
        {me.permissions.includes('guides.all') && <ButtonLink to="/surveys">{t('Surveys')}</ButtonLink>}
        <ButtonLink to="/engagement/goals">{t('Goals')}</ButtonLink>
        <ButtonLink to="/engagement/releases">{t('Releases')}</ButtonLink>
      </TitleLine>
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6">
        <nav aria-label={t('Engagement by')} className="border-b border-hair mb-2 flex overflow-x-auto">
          {tab('time', t('Over time'))}
          {tab('used', t('What is used'))}
          {tab('steps', t('What takes long'))}
          {tab('readers', t('Who uses it'))}
          {tab('owners', t('Who writes it'))}
          {tab('sought', t('What is sought'))}
          {tab('last', t('What happened last'))}
        </nav>
        <LookingBar
          search={by === 'steps' ? { ...search, person: undefined } : search}
          set={set}
          inTime={by === 'time'}
          ofItems={by !== 'sought'}
          ofKinds={by !== 'steps'}
        />
        {by === 'time' && <OverTime {...{ search, set }} />}
        {by === 'used' && <UsedItems {...{ search, page, set }} />}
        {by === 'steps' && <TimedSteps {...{ search, page, set }} />}
        {by === 'readers' && <Readers {...{ search, page, set }} />}
        {by === 'owners' && <Owners {...{ search, page, set }} />}
        {by === 'sought' && <Sought {...{ search, page, set }} />}
        {by === 'last' && <Last {...{ search, page, set }} />}
      </div>
    </>
  )
}

/** What happened last, the newest first. */
function Last({ search, page, set }: { search: Looking; page: number; set: Look }) {
  const query = useCountedRows({ ...daysIn(search), ...scopeIn(search), figure: 'acts', page })
  return (
    <Loaded query={query}>
      {(found) => (
        <div className="pb-8">
          <LookedAtOnly of={found} {...{ search, set }} />
          <CountedRows figure="acts" {...{ found, page }} onPage={(next) => set({ page: String(next) })} />
        </div>
      )}
    </Loaded>
  )
}
