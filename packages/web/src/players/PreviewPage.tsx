import { getDraft, getPictureSizes } from '@jackdaw/contracts/guides'
import type { SoloAct, SoloAttempt } from '@jackdaw/contracts/players'
import { stepName, stepsOf } from '@jackdaw/core/guides'
import { begin, END, reduce, scoreOf, soloScreen, Way, type PlayerEvent, type PlayerState, type Verdict } from '@jackdaw/core/players'
import type { GuideId } from '@jackdaw/core/shared'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useTranslation } from 'react-i18next'
import { useNavigate, useParams, useSearchParams } from 'react-router'
import { call } from '../api'
import { Loaded } from '../ui'
import { Practise } from './Practise'
import { Solo } from './Solo'
import { pictureAddress, playFor, type UsedGuide } from './used'
import { Watch } from './Watch'

/** An author tries the draft in one of the ways, from any step. Nothing of it is kept or counted. */
export function PreviewPage() {
  const { id, way } = useParams() as { id: GuideId; way: string }
  const [search] = useSearchParams()
  const navigate = useNavigate()
  const from = search.get('step') ?? undefined
  const draft = useQuery({
    queryKey: ['preview', id],
    gcTime: 0,
    staleTime: Infinity,
    refetchOnWindowFocus: false,
    queryFn: async ({ signal }): Promise<UsedGuide> => {
      const { document, number } = await call(getDraft, { params: { id }, signal })
      const sizes = await call(getPictureSizes, { params: { id }, signal })
      return { guideId: id, number, edition: null, document, sizes, reader: { roles: [], sites: [] } }
    },
  })
  const onLeave = () => void navigate(`/guides/${id}/edit${from ? `?step=${from}` : ''}`)
  const start = from === undefined ? {} : { from }
  return (
    <Loaded query={draft}>
      {(guide) => {
        switch (Way.safeParse(way).data) {
          case 'watch':
            return <Watch guide={guide} kept={null} onLeave={onLeave} {...start} />
          case 'solo':
            return <SoloPreview guide={guide} onLeave={onLeave} {...start} />
          default:
            return <Practise guide={guide} kept={null} onLeave={onLeave} {...start} />
        }
      }}
    </Loaded>
  )
}

/** A test that is judged in the author's browser. */
function SoloPreview({ guide, from, onLeave }: { guide: UsedGuide; from?: string; onLeave: () => void }) {
  const { t } = useTranslation()
  const [play] = useState(() => playFor(guide, true))
  const fresh = () => begin('solo', play, Date.now(), from === undefined ? {} : { from }).state
  const [state, setState] = useState<PlayerState>(fresh)
  const [acts, setActs] = useState(0)
  const [said, setSaid] = useState<Verdict | null>(null)
  const [startedAt, setStartedAt] = useState(() => Date.now())
  const [givenUp, setGivenUp] = useState(false)
  const { document } = guide
  const over = state.at === END || givenUp
  const does = (act: SoloAct) => {
    const event = act.type === 'leave-out' ? { type: 'show-me' as const } : act
    const next = reduce(state, { ...event, at: Date.now() } as PlayerEvent, play)
    if (next.state === state) return
    setState(next.state)
    setActs((n) => n + 1)
    setSaid(next.effects.flatMap((effect) => (effect.do === 'say' ? [effect.verdict] : []))[0] ?? null)
  }
  const score = scoreOf(play.script, state, document.solo.passMark)
  const names = new Map(stepsOf(document).map((step) => [step.id as string, step]))
  const attempt: SoloAttempt = {
    attemptId: 'preview-preview-previ' as SoloAttempt['attemptId'],
    guideId: guide.guideId,
    number: 1,
    edition: 0,
    title: document.title || t('Without a title'),
    task: document.solo.task,
    passMark: document.solo.passMark,
    acts,
    ...soloScreen(document, play, over ? null : state, guide.sizes, said),
    result: over
      ? {
          ended: givenUp ? 'given-up' : 'finished',
          percent: score.percent,
          passed: score.passed && !givenUp,
          passMark: document.solo.passMark,
          judged: score.judged,
          rightFirst: score.rightFirst,
          tries: score.tries,
          activeMs: score.ms,
          openedAt: startedAt,
          endedAt: Date.now(),
          missed: score.missed.map((id) => {
            const step = names.get(id)!
            return { stepId: step.id, name: stepName(step), tries: state.results[id]!.tries, done: state.results[id]!.done }
          }),
        }
      : null,
    attemptsLeft: null,
  }
  return (
    <Solo
      driver={{
        attempt,
        busy: false,
        trouble: '',
        preview: true,
        does,
        giveUp: () => setGivenUp(true),
        source: (id) => pictureAddress(guide.guideId, null, id),
        again: () => {
          setState(fresh())
          setSaid(null)
          setActs(0)
          setGivenUp(false)
          setStartedAt(Date.now())
        },
      }}
      onLeave={onLeave}
    />
  )
}
