import { useIds } from '../../ui/search/useIds'
import type { KeptPlay } from '@jackdaw/contracts/players'
import { stepsOf } from '@jackdaw/core/guides'
import { waysOf } from '@jackdaw/core/players'
import type { GuideId } from '@jackdaw/core/shared'
import { useMemo } from 'react'
import { Navigate, useNavigate, useSearchParams } from 'react-router'
import { useMe } from '../../people'
import { Loaded } from '../../ui'
import { Practise } from './Practise'
import { useReaderEdition } from '../useReading'
import { usedEdition } from '../used'
import { useKeptPlay } from '../usePlay'

/** Practising the newest edition: all of it, or only the steps that the address names. */
export function PractisePage() {
  const { id } = useIds<{ id: GuideId }>()
  const [search] = useSearchParams()
  const navigate = useNavigate()
  const me = useMe()
  const named = search.get('only')
  const edition = useReaderEdition(id)
  // Steps that a newer edition no longer has are left out; when none is left, all of it is practised.
  const only = useMemo(() => {
    const wanted = new Set(named?.split(','))
    const found = edition.data ? stepsOf(edition.data.document).flatMap((step) => (wanted.has(step.id) ? [step.id] : [])) : []
    return found.length > 0 ? found : null
  }, [named, edition.data])
  const kept = useKeptPlay(id, 'practise', me.id)
  return (
    <Loaded query={edition}>
      {(found) =>
        waysOf(found.document).includes('practise') ? (
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
        ) : (
          <Navigate to={`/guides/${id}`} replace />
        )
      }
    </Loaded>
  )
}
