import { useIds } from '../../ui/search/useIds'
import type { KeptPlay } from '@jackdaw/contracts/players'
import type { ReaderEdition } from '@jackdaw/contracts/reading'
import { stepsOf } from '@jackdaw/core/guides'
import { waysOf } from '@jackdaw/core/players'
import type { GuideId } from '@jackdaw/core/shared'
import { useMemo } from 'react'
import { Navigate, useNavigate, useSearchParams } from 'react-router'
import { useMe } from '../../people'
import { Loaded } from '../../ui'
import { Practise } from './Practise'
import { PersonsEdition } from '../PersonsEdition'
import { usedEdition } from '../used'
import { useKeptPlay } from '../usePlay'

/** Practising the newest edition: all of it, or only the steps that the address names. */
export function PractisePage() {
  const { id } = useIds<{ id: GuideId }>()
  const [search] = useSearchParams()
  const navigate = useNavigate()
  const me = useMe()
  const named = search.get('only')
  const kept = useKeptPlay(id, 'practise', me.id)
  return (
    <PersonsEdition id={id}>
      {(found) =>
        waysOf(found.document).includes('practise') ? (
          <Loaded query={kept}>
            {({ kept: play }: { kept: KeptPlay | null }) => (
              <PractiseSteps key={`${id} ${named ?? ''}`} {...{ found, named, play }} onLeave={() => void navigate(`/guides/${id}`)} />
            )}
          </Loaded>
        ) : (
          <Navigate to={`/guides/${id}`} replace />
        )
      }
    </PersonsEdition>
  )
}

function PractiseSteps({
  found,
  named,
  play,
  onLeave,
}: {
  found: ReaderEdition
  named: string | null
  play: KeptPlay | null
  onLeave: () => void
}) {
  // Steps that a newer edition no longer has are left out; when none is left, all of it is practised.
  const only = useMemo(() => {
    const wanted = new Set(named?.split(','))
    const there = stepsOf(found.document).flatMap((step) => (wanted.has(step.id) ? [step.id] : []))
    return there.length > 0 ? there : null
  }, [named, found])
  return <Practise guide={usedEdition(found)} kept={play} only={only} onLeave={onLeave} />
}
