import type { GuideRow } from '@jackdaw/contracts/library'
import { Archive, BookOpenCheck, FilePen, PencilLine } from 'lucide-react'
import { useTexts } from '../ui/words/texts'

/** The state of a guide as a shape and words. */
export function GuideStateWords({ row }: { row: Pick<GuideRow, 'state' | 'edition'> }) {
  const { t } = useTexts()
  const edition = t('Edition {{n}}', { n: row.edition })
  const [Icon, words] = {
    draft: [PencilLine, t('Draft')] as const,
    published: [BookOpenCheck, edition] as const,
    changed: [FilePen, t('{{edition}}, draft goes on', { edition })] as const,
    archived: [Archive, t('Archived')] as const,
  }[row.state]
  return (
    <span className="inline-flex items-center gap-1.5 whitespace-nowrap">
      <Icon size={15} aria-hidden className={row.state === 'published' ? 'text-moss' : 'text-soft'} />
      {words}
    </span>
  )
}
