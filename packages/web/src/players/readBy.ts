import { flush, record } from '../events'
import type { GuideId, PictureId } from '@jackdaw/core/shared'
import type { UsageEvent } from '@jackdaw/core/players'
import { createContext, useCallback, useContext } from 'react'
import { pictureAddress } from './used'

/** Where it is told what somebody does with a guide. `flush` sends at once what waits. */
export type Teller = { record: (event: UsageEvent) => unknown; flush: () => unknown }
/** By whom a guide is used: by somebody who is signed in, or by a guest behind a link, who has the guide and nothing else of the application. */
export type ReadBy =
  { by: 'person' } | { by: 'guest'; teller: Teller; picture: (edition: number, id: PictureId, size: 'screen' | 'full') => string }

const PERSON: ReadBy = { by: 'person' }
export const ReadByContext = createContext<ReadBy>(PERSON)
const useReadBy = (): ReadBy => useContext(ReadByContext)
/** Whether a guest reads. */
export const useIsGuest = (): boolean => useReadBy().by === 'guest'

const OUTBOX: Teller = { record, flush: () => flush() }
/** Where what is done here is told. */
export function useTeller(): Teller {
  const by = useReadBy()
  return by.by === 'guest' ? by.teller : OUTBOX
}

/** Address of a picture of an edition, or of a draft, for whoever reads. */
export function usePictureAddress(): typeof pictureAddress {
  const by = useReadBy()
  return useCallback(
    (guideId: GuideId, edition: number | null, id: PictureId, size: 'screen' | 'full' = 'full') =>
      by.by === 'guest' && edition !== null ? by.picture(edition, id, size) : pictureAddress(guideId, edition, id, size),
    [by],
  )
}
