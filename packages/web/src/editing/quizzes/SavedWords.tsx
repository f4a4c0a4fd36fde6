import { useTexts } from '../../ui/words/texts'

/** Whether what is written is saved. */
export function SavedWords({ unsaved, saving, fault }: { unsaved: boolean; saving: boolean; fault: string | null }) {
  const { t } = useTexts()
  const words =
    fault !== null ? t('Not saved: {{why}}', { why: t(fault) }) : saving ? t('Saving …') : unsaved ? t('Not saved yet') : t('Saved')
  return (
    <span role="status" className={fault === null ? '' : 'text-brick font-semibold'}>
      {words}
    </span>
  )
}
