import type { KeptPlay } from '@jackdaw/contracts/players'
import type { GuideId, StepId } from '@jackdaw/core/shared'
import { useMemo } from 'react'
import { useNavigate, useParams, useSearchParams } from 'react-router'
import { useMe } from '../people'
import { Loaded } from '../ui'
import { Practise } from './Practise'
import { useReaderEdition } from './useReading'
import { usedEdition } from './used'
import { useKeptPlay } from './usePlay'

/** Practising the newest edition: all of it, or only the steps that the address names. */
export function PractisePage() {
  const { id } = useParams() as { id: GuideId }
  const [search] = useSearchParams()
  const navigate = useNavigate()
  const me = useMe()
  const named = search.get('only')
  const only = useMemo(() => (named ? (named.split(',') as StepId[]) : null), [named])
  const edition = useReaderEdition(id)
  const kept = useKeptPlay(id, 'practise', me.id)
  return (
    <Loaded query={edition}>
      {(found) => (
        <Loaded query={kept}>
          {({ kept: play }: { kept: KeptPlay | null }) => (
            <Practise
              key={`${id} ${named ?? ''}`}
              guide={usedEdition(found)}
              kept={play}
              only={only}
              onLeave={() => void navigate(`/guides/${id}`)}
            />
          )}
        </Loaded>
      )}
    </Loaded>
  )
}
