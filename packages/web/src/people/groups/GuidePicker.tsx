import { suggest } from '@jackdaw/contracts/library'
import type { GuideId } from '@jackdaw/core/shared'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { call } from '../../api'
import { PickMany } from '../../ui/fields/PickMany'
import type { Suggested, Suggestion } from '../../ui/fields/Suggest'
import { useSettled } from '../../ui/fields/useSettled'
import { useTexts } from '../../ui/words/texts'

type Guide = { id: GuideId; title: string }

function useFoundGuides(find: string): { found: readonly Suggestion[]; state: Suggested } {
  const { t } = useTexts()
  const settled = useSettled(find)
  const query = useQuery({
    queryKey: ['guides-found', settled],
    enabled: settled !== '',
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) => call(suggest, { query: { find: settled }, signal }),
  })
  const asking = find !== settled || query.isFetching || query.isPlaceholderData
  const state = find === '' ? 'still' : query.isError ? 'failed' : asking ? 'asking' : 'answered'
  const guides = find === '' ? [] : (query.data?.guides ?? []).filter((guide) => guide.edition !== null)
  return { found: guides.map(({ id, title, number }) => ({ id, words: title, about: t('Guide {{n}}', { n: number }) })), state }
}

/** Published guides, found by a part of their title. */
export function GuidePicker({ label, chosen, onChange }: { label: string; chosen: readonly Guide[]; onChange: (chosen: Guide[]) => void }) {
  const { t } = useTexts()
  return (
    <PickMany
      label={label}
      placeholder={t('Part of a title')}
      most={8}
      chosen={chosen.map(({ id, title }) => ({ id, words: title }))}
      useFound={useFoundGuides}
      onAdd={({ id, words }) => onChange([...chosen, { id: id as GuideId, title: words }])}
      onRemove={(id) => onChange(chosen.filter((each) => each.id !== id))}
    />
  )
}
