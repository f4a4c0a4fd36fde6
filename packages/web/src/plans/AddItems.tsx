import { itemKey } from '@jackdaw/core/items'
import { addItems, itemsOfPlan } from '@jackdaw/core/plans'
import type { StageId } from '@jackdaw/core/shared'
import { FindItems } from '../items/FindItems'
import { useTexts } from '../ui/words/texts'
import type { PlanWriting } from './usePlanDraft'

/** Puts published guides and tasks into a stage. */
export function AddItems({ writing: { document, change, learn }, stageId }: { writing: PlanWriting; stageId: StageId }) {
  const { t } = useTexts()
  return (
    <FindItems
      label={t('Put into this stage')}
      without={new Set(itemsOfPlan(document).map(({ item }) => itemKey(item)))}
      nothing={t('Nothing published fits that is not in the plan.')}
      onChoose={(found) => {
        learn([found])
        change(addItems(document, stageId, [found.item]))
      }}
    />
  )
}
