import { Button, ButtonLink, Failed, Loaded, momentOf, TextLink } from '../../ui'
import { searchIn } from '../../ui/search/useSearch'
import { useIds } from '../../ui/search/useIds'
import { getAttempt, getAttempts, openAttempt, type SoloAttempt } from '@jackdaw/contracts/players'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import { AttemptId, type GuideId } from '@jackdaw/core/shared'
import { useMutation, useQuery } from '@tanstack/react-query'
import { CircleCheck, CircleX } from 'lucide-react'
import type { TFunction } from 'i18next'
import { useEffect } from 'react'
import { useTexts } from '../../ui/words/texts'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { call, queryClient } from '../../api'
import { Solo } from './Solo'
import { useAttempt } from './useAttempt'
import { pictureAddress } from '../used'

type Overview = ResponseOf<typeof getAttempts>

const SEARCH = { attempt: AttemptId }

/** Solo: what is asked for, the test itself, and what came of it. */
export function SoloPage() {
  const { id } = useIds<{ id: GuideId }>()
  const [search, setSearch] = useSearchParams()
  const navigate = useNavigate()
  const past = searchIn(SEARCH, search).attempt ?? null
  const overview = useQuery({
    queryKey: ['attempts', id],
    queryFn: ({ signal }) => call(getAttempts, { params: { id }, signal }),
    gcTime: 0,
    refetchOnWindowFocus: false,
  })
  const shown = useQuery({
    queryKey: ['attempt', id, past],
    enabled: past !== null,
    queryFn: ({ signal }) => call(getAttempt, { params: { id, attemptId: past! }, signal }),
    gcTime: 0,
    refetchOnWindowFocus: false,
  })
  const start = useMutation({
    mutationFn: () => call(openAttempt, { params: { id }, body: { language: navigator.language } }),
    onSuccess: (attempt) => setSearch({ attempt: attempt.attemptId }, { replace: past !== null }),
  })
  const back = () => void navigate(`/guides/${id}`)
  if (past !== null)
    return (
      <Loaded query={shown}>
        {(attempt) => <Running key={attempt.attemptId} first={attempt} onLeave={back} onAgain={() => start.mutate()} />}
      </Loaded>
    )
  return (
    <Loaded query={overview}>
      {(known) => <Before {...{ id, known }} starting={start.isPending} error={start.error} onStart={() => start.mutate()} />}
    </Loaded>
  )
}

/** What holds in the test, in words. */
function rulesOf({ triesPerStep, passMark, attemptsLeft }: Overview, t: TFunction): string[] {
  return [
    t('You do the steps on pictures of the application. There are no frames and no hints.'),
    triesPerStep === 0
      ? t('At each step you have as many tries as you need; what is right at once counts most.')
      : t('At each step you have {{count}} tries; what is right at once counts most.', { count: triesPerStep }),
    t('You pass with {{percent}} %.', { percent: passMark }),
    attemptsLeft === null ? t('You can take it as often as you like.') : t('You have {{count}} attempts left.', { count: attemptsLeft }),
  ]
}

/** What is asked for, before it begins. */
function Before({
  id,
  known,
  starting,
  error,
  onStart,
}: {
  id: GuideId
  known: Overview
  starting: boolean
  error: unknown
  onStart: () => void
}) {
  const { t } = useTexts()
  const none = known.attemptsLeft === 0 && known.open === null
  return (
    <main id="main" className="w-full max-w-[760px] mx-auto px-4 py-8">
      <title>{`${t('Solo')}: ${known.title} – Jackdaw`}</title>
      <p className="text-sm text-soft mb-1">
        <TextLink to={`/guides/${id}`}>{known.title}</TextLink> · {t('Solo')}
      </p>
      <h1 className="font-serif text-2xl mb-3">{t('Show that you can do it')}</h1>
      {known.task && (
        <>
          <h2 className="text-lg">{t('Your task')}</h2>
          <p className="whitespace-pre-line border-l-4 border-petrol pl-3 text-lg mb-4 mt-1">{known.task}</p>
        </>
      )}
      <ul className="list-disc pl-6 space-y-1 mb-5">
        {rulesOf(known, t).map((rule) => (
          <li key={rule}>{rule}</li>
        ))}
      </ul>
      {error != null && <Failed error={error} />}
      <div className="flex flex-wrap gap-2 my-4">
        <Button look="primary" className="min-h-14 px-8 text-lg" disabled={none || starting} onClick={onStart}>
          {known.open ? t('Go on with your attempt') : t('Begin')}
        </Button>
        <ButtonLink to={`/guides/${id}/practise`} className="min-h-14 px-6 text-lg">
          {t('Practise first')}
        </ButtonLink>
      </div>
      {none && (
        <p className="text-brick font-semibold">{t('There is no attempt left. Ask whoever leads your training for another one.')}</p>
      )}
      {known.done.length > 0 && <Attempts id={id} done={known.done} />}
    </main>
  )
}

function Attempts({ id, done }: { id: GuideId; done: Overview['done'] }) {
  const { t } = useTexts()
  return (
    <>
      <h2 className="text-lg mt-6 mb-1">{t('Your attempts')}</h2>
      <ul className="border-t border-hair">
        {done.map(({ attemptId, number, result }) => (
          <li key={attemptId} className="border-b border-hair">
            <Link to={`/guides/${id}/solo?attempt=${attemptId}`} className="flex items-center gap-3 min-h-11 hover:bg-wash px-1">
              <span className="tabular-nums text-soft w-6">{number}</span>
              {result.passed ? (
                <CircleCheck size={18} className="text-moss" aria-hidden />
              ) : (
                <CircleX size={18} className="text-brick" aria-hidden />
              )}
              <span className="font-semibold w-28">{result.passed ? t('passed') : t('not passed')}</span>
              <span className="tabular-nums w-16">{result.percent} %</span>
              <span className="text-soft">{momentOf(result.endedAt)}</span>
            </Link>
          </li>
        ))}
      </ul>
    </>
  )
}

function Running({ first, onLeave, onAgain }: { first: SoloAttempt; onLeave: () => void; onAgain: () => void }) {
  const { attempt, ...driver } = useAttempt(first)
  const ended = attempt.result !== null
  useEffect(() => {
    if (ended) void queryClient.invalidateQueries({ queryKey: ['attempts', attempt.guideId] })
  }, [ended, attempt.guideId])
  return (
    <Solo
      driver={{
        ...driver,
        attempt,
        preview: false,
        source: (id) => pictureAddress(attempt.guideId, attempt.edition, id),
        again: onAgain,
      }}
      onLeave={onLeave}
    />
  )
}
