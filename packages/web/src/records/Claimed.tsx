import type { ProgressRecord } from '@jackdaw/contracts/records'
import { useTexts } from '../ui/words/texts'

/** Says of a reading that was finished when only the browser says so. */
export function Claimed({ record }: { record: Pick<ProgressRecord, 'finishedAt' | 'finishedAttested'> }) {
  const { t } = useTexts()
  if (record.finishedAt === null || record.finishedAttested) return null
  return (
    <span className="block text-xs text-soft" title={t('Finished in less time than the words take, or told afterwards all at once.')}>
      {t('claimed')}
    </span>
  )
}

/** How many of those who are done have only said so, and what that means. */
export function ClaimedLine({ claimed }: { claimed: number }) {
  const { t } = useTexts()
  if (claimed === 0) return null
  return (
    <p className="text-sm text-soft mt-1">
      {t(
        '{{count}} of those who are done are claimed: they finished in less time than the words take, or their device told it all at once.',
        {
          count: claimed,
        },
      )}
    </p>
  )
}
