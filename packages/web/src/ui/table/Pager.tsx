import { useTexts } from '../words/texts'
import { Button } from '../Button'

/** Leads through the pages of a long list; says which part is shown. */
export function Pager({
  page,
  pageSize,
  total,
  onPage,
}: {
  page: number
  pageSize: number
  total: number
  onPage: (page: number) => void
}) {
  const { t } = useTexts()
  if (total <= pageSize) return null
  return (
    <nav aria-label={t('Pages')} className="flex items-center gap-3 py-3 text-sm">
      <Button disabled={page <= 1} onClick={() => onPage(page - 1)}>
        {t('Back')}
      </Button>
      <span>{t('{{from}} to {{to}} of {{total}}', { from: (page - 1) * pageSize + 1, to: Math.min(total, page * pageSize), total })}</span>
      <Button disabled={page * pageSize >= total} onClick={() => onPage(page + 1)}>
        {t('Next')}
      </Button>
    </nav>
  )
}
