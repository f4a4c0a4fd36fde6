import { useIds } from '../../ui/search/useIds'
import type { KeptPlay } from '@jackdaw/contracts/players'
import { waysOf } from '@jackdaw/core/players'
import type { GuideId } from '@jackdaw/core/shared'
import { Navigate, useNavigate } from 'react-router'
import { useMe } from '../../people'
import { Loaded } from '../../ui'
import { usedEdition } from '../used'
import { useKeptPlay } from '../usePlay'
import { PersonsEdition } from '../PersonsEdition'
import { Watch } from './Watch'

/** Watching the newest edition. */
export function WatchPage() {
  const { id } = useIds<{ id: GuideId }>()
  const navigate = useNavigate()
  const me = useMe()
  const kept = useKeptPlay(id, 'watch', me.id)
  return (
    <PersonsEdition id={id}>
      {(found) =>
        waysOf(found.document).includes('watch') ? (
          <Loaded query={kept}>
            {({ kept: play }: { kept: KeptPlay | null }) => (
              <Watch key={id} guide={usedEdition(found)} kept={play} onLeave={() => void navigate(`/guides/${id}`)} />
            )}
          </Loaded>
        ) : (
          <Navigate to={`/guides/${id}`} replace />
        )
      }
    </PersonsEdition>
  )
}
