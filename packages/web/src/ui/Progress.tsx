import { Progress as Radix } from 'radix-ui'
import { useTexts } from './words/texts'
import { percentOf } from './words/format'

/** How far something is that takes a while. @param of nothing as long as nobody knows how much there is to do
 * @param hidden its name is for screen readers only */
export function Progress({ label, hidden = false, done, of }: { label: string; hidden?: boolean; done: number; of: number | null }) {
  const { t } = useTexts()
  const part = of === null || of === 0 ? null : Math.min(1, done / of)
  return (
    <div className="max-w-md">
      <div className="flex justify-between gap-4 text-sm">
        {!hidden && <span>{label}</span>}
        <span className="tabular-nums text-soft whitespace-nowrap">
          {of === null ? t('under way') : t('{{done}} of {{of}}', { done, of })}
        </span>
      </div>
      <Radix.Root
        value={part === null ? null : part * 100}
        aria-label={label}
        getValueLabel={() => (part === null ? t('under way') : percentOf(part))}
        className="h-1.5 mt-1 bg-hair overflow-hidden"
      >
        <Radix.Indicator
          className={`block h-full bg-petrol ${part === null ? 'w-1/3 motion-safe:animate-pulse' : 'motion-safe:transition-[width]'}`}
          style={part === null ? undefined : { width: `${part * 100}%` }}
        />
      </Radix.Root>
    </div>
  )
}
