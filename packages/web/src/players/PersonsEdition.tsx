import { getHolding, type ReaderEdition } from '@jackdaw/contracts/reading'
import type { GuideId } from '@jackdaw/core/shared'
import type { ReactNode } from 'react'
import { call, queryClient } from '../api'
import { Loaded } from '../ui'
import { useTexts } from '../ui/words/texts'
import { GuideGone, HoldingWatch } from './HoldingWatch'
import { useReaderEdition } from './useReading'

/** The edition of a guide that holds, for somebody who is signed in; as long as they have it before them it is watched whether it still does. */
export function PersonsEdition({ id, children }: { id: GuideId; children: (edition: ReaderEdition) => ReactNode }) {
  const { t } = useTexts()
  const query = useReaderEdition(id)
  return (
    <Loaded query={query}>
      {(edition) => (
        <HoldingWatch
          of={id}
          edition={edition.edition}
          ask={(signal) => call(getHolding, { params: { id, edition: edition.edition }, signal })}
          onAnew={() => void queryClient.invalidateQueries({ queryKey: ['reader', id] })}
          gone={(error) => <GuideGone title={t('This guide is not there for you any more')} error={error} />}
        >
          {children(edition)}
        </HoldingWatch>
      )}
    </Loaded>
  )
}
