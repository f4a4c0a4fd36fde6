import { GUIDE_LIMITS, itemName, tooMuchIn, type GuideDocument, type ItemId } from '@jackdaw/core/guides'
import { useMemo } from 'react'
import { Message, TextButton } from '../../ui'
import { useTexts } from '../../ui/words/texts'

/** What the guide holds too much of, from before there were limits; each leads to its place. */
export function TooMuchStrip({ document, onPick }: { document: GuideDocument; onPick: (id: ItemId) => void }) {
  const { t } = useTexts()
  const found = useMemo(() => tooMuchIn(document), [document])
  if (found.length === 0) return null
  return (
    <div className="mb-4">
      <Message tone="warn" title={t('The guide holds too much to be published')}>
        <ul>
          {found.map(({ limit, amount, itemId }) => (
            <li key={`${limit} ${itemId}`}>
              {itemId !== null && <TextButton onClick={() => onPick(itemId as ItemId)}>{itemName(document, itemId)}</TextButton>}{' '}
              <span>{t(GUIDE_LIMITS[limit].words)}</span> <span>{t('Now: {{amount}}.', { amount })}</span>
            </li>
          ))}
        </ul>
      </Message>
    </div>
  )
}
