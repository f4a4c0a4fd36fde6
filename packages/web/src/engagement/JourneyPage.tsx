import type { Journey } from '@jackdaw/contracts/engagement'
import type { GuideId } from '@jackdaw/core/shared'
import { useMe } from '../people'
import { useRecordGroups } from '../records/queries'
import { GroupFilters } from '../records/GroupFilters'
import { ButtonLink, dayAndYearOf, lengthOf, Loaded, percentOf, TextLink, TitleLine, useSearch } from '../ui'
import { useIds } from '../ui/search/useIds'
import { useTexts } from '../ui/words/texts'
import { Choice, DaysChoice } from './Choice'
import {
  besideIn,
  DIFFER_IN,
  JOURNEY,
  mostLeave,
  takesLongest,
  shareOf,
  valueName,
  visitsAt,
  visitsIn,
  type DiffersIn,
  type Journeying,
} from './journeying'
import { KeptNote } from './KeptNote'
import { inWords, JourneySteps } from './JourneySteps'
import { useJourney } from './queries'

type Set = (more: { [K in keyof Journeying]?: string | undefined }) => void

/** How visits go through a guide, step by step, and where they leave it. */
export function JourneyPage() {
  const { t } = useTexts()
  const { id } = useIds<{ id: GuideId }>()
  const { search, set } = useSearch(JOURNEY)
  const mayAsk = useMe().permissions.some((each) => each === 'guides.all' || each === 'guides.publish')
  const query = useJourney(id, visitsIn(search))
  const beside = besideIn(search)
  const other = useJourney(id, beside && visitsIn(beside))
  return (
    <Loaded query={query}>
      {(journey) => (
        <>
          <title>{t('{{title}}, step by step – Jackdaw', { title: journey.guide.title })}</title>
          <TitleLine
            where={{ to: `/engagement?by=used`, name: t('Engagement') }}
            title={t('{{title}}, step by step', { title: journey.guide.title })}
            state={t('Visits that began from {{from}} to {{to}}, by the steps of edition {{edition}}', {
              from: dayAndYearOf(journey.span.from),
              to: dayAndYearOf(journey.span.to),
              edition: journey.guide.edition,
            })}
          >
            {mayAsk && <ButtonLink to={`/engagement/guides/${id}/surveys`}>{t('Questions at steps')}</ButtonLink>}
          </TitleLine>
          <div className="bg-sheet grow border-t border-hair px-4 md:px-6 pb-8">
            <JourneyBar {...{ search, set, journey }} />
            <KeptNote kept={journey.kept} />
            <JourneyInWords {...{ id, search, journey }} other={beside && other.data ? other.data : null} />
            <JourneySteps {...{ id, search, journey }} beside={beside && other.data ? { search: beside, journey: other.data } : null} />
          </div>
        </>
      )}
    </Loaded>
  )
}

/** Which visits are looked at, and what others are put beside them. */
function JourneyBar({ search, set, journey }: { search: Journeying; set: Set; journey: Journey }) {
  const { t } = useTexts()
  const groups = useRecordGroups().data
  const ALL: Record<DiffersIn, [name: string, all: string]> = {
    way: [t('Way of use'), t('In any way')],
    edition: [t('Edition'), t('Any edition')],
    device: [t('Device'), t('Any device')],
    browser: [t('Browser'), t('Any browser')],
    language: [t('Language'), t('Any language')],
  }
  const others = [
    ...DIFFER_IN.flatMap((which) =>
      journey.choices[which].map(({ value }) => ({ id: `${which} ${value}`, name: valueName(t, which, value) })),
    ),
    ...(['departments', 'sites', 'teams'] as const).flatMap((kind) =>
      (groups?.[kind] ?? []).map((group) => ({ id: `${kind.slice(0, -1)} ${group.id}`, name: group.name })),
    ),
  ]
  return (
    <div className="flex flex-wrap items-end gap-2 py-2">
      <DaysChoice {...{ search, set }} />
      {DIFFER_IN.filter((which) => journey.choices[which].length > 1 || search[which] !== undefined).map((which) => (
        <Choice
          key={which}
          label={ALL[which][0]}
          value={search[which] ?? ''}
          options={[
            { id: '', name: ALL[which][1] },
            ...journey.choices[which].map(({ value, visits }) => ({ id: value, name: `${valueName(t, which, value)} (${visits})` })),
          ]}
          onChoose={(value) => set({ [which]: value || undefined })}
        />
      ))}
      <GroupFilters {...{ search, set }} />
      <Choice
        label={t('Put beside it')}
        value={search.beside ?? ''}
        options={[{ id: '', name: t('Beside nothing') }, ...others.map(({ id, name }) => ({ id, name: t('Beside: {{name}}', { name }) }))]}
        onChoose={(value) => set({ beside: value || undefined })}
      />
    </div>
  )
}

/** What the figures say, in sentences. */
function JourneyInWords({ id, search, journey, other }: { id: GuideId; search: Journeying; journey: Journey; other: Journey | null }) {
  const { t } = useTexts()
  const { visits, finished, elsewhere } = journey
  if (visits === 0) return <p className="py-6">{t('Nobody used it so in these days.')}</p>
  const worst = mostLeave(journey)
  const slowest = takesLongest(journey)
  return (
    <p className="py-2 max-w-prose">
      <TextLink to={visitsAt(id, search, 'visits')}>{t('{{count}} visits', { count: visits })}</TextLink>,{' '}
      <TextLink to={visitsAt(id, search, 'finished')}>{t('{{n}} finished', { n: finished })}</TextLink> ({percentOf(finished / visits)}).{' '}
      {worst &&
        t('Most leave at step {{n}}, {{name}}: {{left}} of {{came}}, {{share}}.', {
          n: worst.position,
          name: worst.name.replace(/[.…]+$/, ''),
          left: worst.left,
          came: worst.came,
          share: shareOf(t, worst.left, worst.came),
        })}{' '}
      {slowest &&
        t('Step {{n}} takes longest for its words: {{time}} on average, where reading takes {{reading}}.', {
          n: slowest.position,
          time: lengthOf(slowest.meanMs ?? 0),
          reading: lengthOf(slowest.readingMs),
        })}{' '}
      {elsewhere > 0 && (
        <TextLink to={visitsAt(id, search, 'elsewhere')}>
          {t('{{n}} left before any step, or at one that is not there any more.', { n: elsewhere })}
        </TextLink>
      )}
      {other &&
        t('Beside it {{finished}} of {{visits}} finished. The difference: {{words}}.', {
          finished: other.finished,
          visits: other.visits,
          words: inWords(t, { hits: finished, of: visits }, { hits: other.finished, of: other.visits }),
        })}
    </p>
  )
}
