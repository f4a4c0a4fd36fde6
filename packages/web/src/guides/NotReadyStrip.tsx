import { Construction } from 'lucide-react'
import { useTexts } from '../ui/words/texts'
import { Button } from '../ui'

/** Says that a part is not ready, and what is missing; its author can say what, and that it is done. */
export function NotReadyStrip({
  why,
  name,
  onWhy,
  onReady,
}: {
  why: string
  name?: string
  onWhy?: (why: string) => void
  onReady?: () => void
}) {
  const { t } = useTexts()
  return (
    <div
      className="flex flex-wrap items-center gap-x-3 gap-y-1 border-l-4 border-ochre bg-page px-3 py-1.5 mb-2 text-sm"
      data-keeps-editor
      data-not-ready
    >
      <strong className="inline-flex items-center gap-1.5 text-ochre">
        <Construction size={16} aria-hidden />
        {t('Not ready')}
      </strong>
      {onWhy ? (
        <input
          value={why}
          maxLength={300}
          aria-label={t('What is missing: {{name}}', { name: name ?? '' })}
          placeholder={t('What is missing, and who will see to it?')}
          className="grow basis-48 min-h-8 px-2 bg-sheet border border-edge"
          onChange={(event) => onWhy(event.target.value)}
        />
      ) : (
        <span>{why}</span>
      )}
      {onReady && (
        <Button look="quiet" className="text-sm px-2" onClick={onReady}>
          {t('It is ready')}
        </Button>
      )}
    </div>
  )
}
