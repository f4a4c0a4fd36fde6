import { getTodayOf } from '@jackdaw/contracts/reading'
import type { PersonId } from '@jackdaw/core/shared'
import { useQuery } from '@tanstack/react-query'
import { call } from '../api'
import { Loaded } from '../ui'
import { TodayShown } from './TodayList'

/** Today as somebody else finds it. */
export function TodayOf({ personId }: { personId: PersonId }) {
  const query = useQuery({
    queryKey: ['look-as', personId, 'today'],
    staleTime: 0,
    queryFn: ({ signal }) => call(getTodayOf, { params: { id: personId }, signal }),
  })
  return (
    <div className="w-full max-w-4xl mx-auto px-4 md:px-6 py-6">
      <Loaded query={query}>{(today) => <TodayShown {...today} />}</Loaded>
    </div>
  )
}
