import { useIds } from '../../ui/search/useIds'
import { getDraft } from '@jackdaw/contracts/guides'
import { getPictureSizes } from '@jackdaw/contracts/pictures'
import type { SoloAct, SoloAttempt } from '@jackdaw/contracts/players'
import { minutesToRead, stepsOf, type GuideDocument } from '@jackdaw/core/guides'
import { END } from '@jackdaw/core/flow'
import { begin, reduce, scoreOfAttempt, soloScreen, type PlayerState, type Verdict } from '@jackdaw/core/players'
import { Way } from '@jackdaw/core/ways'
import type { GuideId } from '@jackdaw/core/shared'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { useLocation, useNavigate, useSearchParams } from 'react-router'
import { PendingBlackouts, usePending } from '../../annotations'
import { call } from '../../api'
import { Loaded } from '../../ui'
import { Practise } from '../practise/Practise'
import { PreviewFrame } from './PreviewFrame'
import { Reader } from '../reader/ReaderPage'
import { Solo } from '../solo/Solo'
import { handTried, takeTried } from './triedDraft'
import { DRAFT, pictureAddress, playFor, type UsedGuide } from '../used'
import { Watch } from '../watch/Watch'

/** An author tries the draft in one of the ways, from any step. Nothing of it is kept or counted. */
export function PreviewPage() {
  const { id, way } = useIds<{ id: GuideId; way: string }>()
  const [search, setSearch] = useSearchParams()
  const navigate = useNavigate()
  const framed = search.get('framed') === 'yes'
  const phone = search.get('phone') === 'yes'
  const { state: given }: { state: { document?: GuideDocument } | null } = useLocation()
  const tried = given?.document ?? (framed ? takeTried(id) : null)
  const from = search.get('step') ?? undefined
  const draft = useQuery({
    queryKey: ['preview', id],
    gcTime: 0,
    staleTime: Infinity,
    refetchOnWindowFocus: false,
    queryFn: async ({ signal }): Promise<UsedGuide & { owner: string }> => {
      const { document: saved, number, owner } = await call(getDraft, { params: { id }, signal })
      const document = tried ?? saved
      const sizes = await call(getPictureSizes, { params: { id }, signal })
      return { guideId: id, number, edition: null, document, sizes, reader: { roles: [], sites: [] }, quizzes: [], owner: owner.name }
    },
  })
  const onLeave = () => {
    if (framed) return
    void navigate(`/guides/${id}/edit${from ? `?step=${from}` : ''}`)
  }
  const start = from === undefined ? {} : { from }
  const used = Way.safeParse(way).data ?? 'practise'
  return (
    <Loaded query={draft}>
      {(guide) => (
        <PreviewFrame
          {...{ framed, onLeave }}
          number={guide.number}
          owner={guide.owner}
          phone={phone ? `/guides/${id}/preview/${used}?framed=yes${from ? `&step=${from}` : ''}` : null}
          onPhone={(on) => {
            handTried(id, guide.document)
            setSearch(
              (now) => {
                if (on) now.set('phone', 'yes')
                else now.delete('phone')
                return now
              },
              { replace: true, state: { document: guide.document } },
            )
          }}
        >
          <Previewed key={used} {...{ guide, onLeave }} way={used} start={start} />
        </PreviewFrame>
      )}
    </Loaded>
  )
}

function Previewed({
  guide,
  way,
  start,
  onLeave,
}: {
  guide: UsedGuide & { owner: string }
  way: Way
  start: { from?: string }
  onLeave: () => void
}) {
  const pending = usePending(guide.document, guide.sizes)
  const WAYS: Record<Way, () => React.ReactNode> = {
    watch: () => <Watch guide={guide} kept={null} onLeave={onLeave} {...start} />,
    solo: () => <SoloPreview guide={guide} onLeave={onLeave} {...start} />,
    read: () => <ReadPreview guide={guide} {...start} />,
    practise: () => <Practise guide={guide} kept={null} onLeave={onLeave} {...start} />,
  }
  return <PendingBlackouts value={pending}>{WAYS[way]()}</PendingBlackouts>
}

/** The reader over the draft. */
function ReadPreview({ guide, from }: { guide: UsedGuide & { owner: string }; from?: string }) {
  const steps = stepsOf(guide.document)
  const before = steps.slice(0, Math.max(0, steps.findIndex((step) => step.id === from) + 1)).map((step) => step.id)
  return (
    <main id="main" className="grow flex flex-col">
      <Reader
        edition={{
          guideId: guide.guideId,
          number: guide.number,
          edition: DRAFT,
          newestEdition: DRAFT,
          publishedAt: Date.now(),
          changeNote: '',
          minutes: minutesToRead(guide.document),
          owner: guide.owner,
          document: guide.document,
          pictureSizes: guide.sizes,
          amendedAt: null,
          assigned: false,
          favourite: false,
          dueOn: null,
          reader: { roles: [], sites: [] },
          quizzes: [],
          progress: {
            lastStepId: before.at(-1) ?? null,
            seen: before,
            acknowledged: before.slice(0, -1),
            confirmed: before.slice(0, -1),
            finishedEdition: null,
            mustReread: false,
          },
        }}
      />
    </main>
  )
}

/** A test that is judged in the author's browser. */
function SoloPreview({ guide, from, onLeave }: { guide: UsedGuide; from?: string; onLeave: () => void }) {
  const { t } = useTexts()
  const [play] = useState(() => playFor(guide, 'solo'))
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
    const next = reduce(state, { ...event, at: Date.now() }, play)
    if (next.state === state) return
    setState(next.state)
    setActs((n) => n + 1)
    setSaid(next.effects.flatMap((effect) => (effect.do === 'say' ? [effect.verdict] : []))[0] ?? null)
  }
  const ended = givenUp ? 'given-up' : 'finished'
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
          ...scoreOfAttempt(document, play.script, state, ended),
          ended,
          passMark: document.solo.passMark,
          openedAt: startedAt,
          endedAt: Date.now(),
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
