import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import type { ReaderEdition } from '@jackdaw/contracts/reading'
import { getShared, getSharedHolding, getSharedPicture } from '@jackdaw/contracts/sharing'
import { addressOf } from '@jackdaw/contracts/endpoint'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useMemo, useState } from 'react'
import { LOOK_KEY } from '../annotations/useLook'
import { ApiProblem, call, queryClient, reading } from '../api'
import { GuideGone, HoldingWatch } from '../players/HoldingWatch'
import { ReadByContext, type ReadBy } from '../players/readBy'
import { Reader } from '../players/reader/ReaderPage'
import { Failed, Waiting } from '../ui'
import { useIds } from '../ui/search/useIds'
import { useTexts } from '../ui/words/texts'
import { AskNumber } from './AskNumber'
import { GuestFrame } from './GuestFrame'
import { GuestTeller } from './guestTeller'
import { keepVisit, visitOf } from './visit'

type Shared = ResponseOf<typeof getShared>
type Readable = Shared & { guide: NonNullable<Shared['guide']>; document: NonNullable<Shared['document']> }
const isReadable = (shared: Shared): shared is Readable => shared.guide !== null && shared.document !== null

/** Where a link for guests leads: one guide, to be read without signing in. */
export function GuestPage() {
  const { token } = useIds<{ token: string }>()
  const [kept, setKept] = useState(() => visitOf(token))
  const { visit, named } = kept
  const query = useQuery({
    queryKey: ['shared', token, named],
    ...reading(getShared, { params: { token }, query: named ? { visit } : {} }),
    staleTime: Infinity,
    refetchOnWindowFocus: false,
    refetchOnReconnect: false,
  })
  if (query.isError) return <Ended error={query.error} />
  if (!query.data) return <Waiting />
  if (!isReadable(query.data))
    return (
      <GuestFrame look={query.data.look}>
        <AskNumber
          {...{ token, visit }}
          title={query.data.title}
          asks={query.data.asks ?? 'job'}
          onNamed={() => {
            keepVisit(token, { visit, named: true })
            setKept({ visit, named: true })
          }}
        />
      </GuestFrame>
    )
  return <Behind {...{ token }} visit={kept} shared={query.data} onAnew={() => void query.refetch()} />
}

/** The guide behind a link. @param onAnew gets the edition that holds now */
function Behind({
  token,
  visit: { visit, named },
  shared,
  onAnew,
}: {
  token: string
  visit: ReturnType<typeof visitOf>
  shared: Readable
  onAnew: () => void
}) {
  const { t } = useTexts()
  useState(() => {
    // A guest cannot ask how the company's guides look: it is said with the guide.
    queryClient.setQueryDefaults(LOOK_KEY, { enabled: false })
    queryClient.setQueryData(LOOK_KEY, shared.look)
  })
  const teller = useMemo(() => new GuestTeller(token, visit), [token, visit])
  useEffect(() => teller.start(), [teller])
  const by = useMemo<ReadBy>(
    () => ({
      by: 'guest',
      teller,
      picture: (edition, pictureId, size) =>
        addressOf(getSharedPicture, { token, edition, pictureId }, { size, ...(named ? { visit } : {}) }),
    }),
    [teller, token, visit, named],
  )
  const edition = useMemo(() => editionOf(shared), [shared])
  return (
    <GuestFrame look={shared.look}>
      <HoldingWatch
        of={token}
        edition={edition.edition}
        ask={(signal) => call(getSharedHolding, { params: { token, edition: edition.edition }, signal })}
        onAnew={onAnew}
        gone={(error) => <GuideGone title={t('There is no guide behind this link')} error={error} />}
      >
        <ReadByContext value={by}>
          <Reader key={edition.edition} edition={edition} />
        </ReadByContext>
      </HoldingWatch>
    </GuestFrame>
  )
}

/** The guide as the reader takes it: there is nobody whose progress it could show. */
const editionOf = ({ guide, document }: Readable): ReaderEdition => ({
  ...guide,
  document,
  ...{ newestEdition: guide.edition, changeNote: '', owner: '', assigned: false, favourite: false, dueOn: null, quizzes: [] },
  reader: { roles: [], sites: [] },
  progress: { lastStepId: null, seen: [], acknowledged: [], confirmed: [], finishedEdition: null, mustReread: false },
})

/** A link that holds no more, or never did. */
function Ended({ error }: { error: unknown }) {
  const { t } = useTexts()
  return (
    <GuestFrame look={null}>
      <title>{t('Guide – Jackdaw')}</title>
      {error instanceof ApiProblem && error.problem.status === 404 ? (
        <GuideGone title={t('There is no guide behind this link')} error={error} />
      ) : (
        <div className="max-w-xl w-full mx-auto p-4 sm:pt-12">
          <Failed error={error} />
        </div>
      )}
    </GuestFrame>
  )
}
