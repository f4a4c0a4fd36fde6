import { getTodayOf } from '@jackdaw/contracts/reading'
import type { PersonId } from '@jackdaw/core/shared'
import { useQuery } from '@tanstack/react-query'
import type { ReactNode } from 'react'
import { call } from '../api'
import { Loaded } from '../ui'
import { TodayShown } from './TodayList'

/** Today as somebody else finds it. @param before what else stands on it, between the count and the list */
export function TodayOf({ personId, before }: { personId: PersonId; before: ReactNode }) {
  const query = useQuery({
    queryKey: ['look-as', personId, 'today'],
    staleTime: 0,
    queryFn: ({ signal }) => call(getTodayOf, { params: { id: personId }, signal }),
  })
  return (
    <div className="w-full max-w-4xl mx-auto px-4 md:px-6 py-6">
      <Loaded query={query}>{(today) => <TodayShown {...today} before={before} />}</Loaded>
    </div>
  )
}
