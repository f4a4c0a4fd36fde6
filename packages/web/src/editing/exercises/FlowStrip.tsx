import { itemName, type GuideDocument, type ItemId } from '@jackdaw/core/guides'
import { checkFlow, type FlowFinding } from '@jackdaw/core/players'
import { useMemo } from 'react'
import { useTexts } from '../../ui/words/texts'
import { Message, TextButton } from '../../ui'

/** What is wrong with the branches of the guide; each leads to its step. */
export function FlowStrip({ document, onPick }: { document: GuideDocument; onPick: (id: ItemId) => void }) {
  const { t } = useTexts()
  const findings = useMemo(() => checkFlow(document), [document])
  if (findings.length === 0) return null
  const words: Record<FlowFinding['reason'], string> = {
    unreachable: t('no way leads here'),
    endless: t('from here no way leads to the end'),
    'leads-nowhere': t('a choice or rule leads to a step that is gone'),
    'no-words': t('a choice has no words'),
    'asks-later': t('a rule asks for something that is not entered before'),
  }
  return (
    <div className="mb-4" data-flow-findings={findings.length}>
      <Message tone="warn" title={t('The branches are not right yet')}>
        <ul>
          {findings.map((finding) => (
            <li key={`${finding.reason} ${finding.stepId} ${finding.onward ?? ''}`}>
              <TextButton onClick={() => onPick(finding.stepId as ItemId)}>{itemName(document, finding.stepId)}</TextButton>:{' '}
              {words[finding.reason]}
            </li>
          ))}
        </ul>
      </Message>
    </div>
  )
}
