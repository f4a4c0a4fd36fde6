import { SCALE } from '@jackdaw/core/plans'
import { useId } from 'react'
import { useTexts } from '../../ui/words/texts'

/** Ends of a scale in words. */
function Ends() {
  const { t } = useTexts()
  return (
    <span className="flex justify-between text-xs text-soft" aria-hidden>
      <span>{t('not at all')}</span>
      <span>{t('entirely')}</span>
    </span>
  )
}

/** A mark on a ruler of five, to be chosen. @param label what is asked */
export function MarkField({
  label,
  value,
  error,
  onChange,
}: {
  label: string
  value: number | null
  error?: string | undefined
  onChange: (mark: number) => void
}) {
  const { t } = useTexts()
  const name = useId()
  return (
    <fieldset aria-describedby={error ? `${name}-error` : undefined}>
      <legend className="font-semibold mb-1">{label}</legend>
      <div className="max-w-sm">
        <div className="grid grid-cols-5 border-b-2 border-ink">
          {SCALE.map((mark) => (
            <label
              key={mark}
              className={`relative h-12 flex flex-col items-center justify-end cursor-pointer hover:bg-wash has-focus-visible:outline-2 has-focus-visible:outline-kingfisher`}
            >
              <input
                type="radio"
                name={name}
                className="sr-only"
                checked={value === mark}
                aria-label={mark === SCALE[0] ? t('1, not at all') : mark === SCALE.length ? t('5, entirely') : String(mark)}
                onChange={() => onChange(mark)}
              />
              <span className={`text-sm tabular-nums ${value === mark ? 'font-semibold text-petrol' : 'text-soft'}`} aria-hidden>
                {value === mark && '✓ '}
                {mark}
              </span>
              <span className={value === mark ? 'w-3 h-6 bg-petrol' : 'w-1 h-3 bg-edge'} aria-hidden />
            </label>
          ))}
        </div>
        <Ends />
      </div>
      {error && (
        <p id={`${name}-error`} className="text-sm text-brick mt-1">
          {error}
        </p>
      )}
    </fieldset>
  )
}

/** Two marks on one ruler: that of one above it, that of the other below. */
export function TwoMarks({ above, below }: { above: { name: string; mark: number }; below: { name: string; mark: number } }) {
  const { t } = useTexts()
  return (
    <div className="max-w-sm">
      <p className="sr-only">
        {t('{{one}}: {{mark}} of 5. {{other}}: {{otherMark}} of 5.', {
          one: above.name,
          mark: above.mark,
          other: below.name,
          otherMark: below.mark,
        })}
      </p>
      <div aria-hidden>
        <Flag {...above} side="above" />
        <div className="grid grid-cols-5 border-y-2 border-ink bg-sheet">
          {SCALE.map((mark) => (
            <span key={mark} className="text-center text-sm text-soft tabular-nums border-l border-hair first:border-l-0">
              {mark}
            </span>
          ))}
        </div>
        <Flag {...below} side="below" />
        <Ends />
      </div>
    </div>
  )
}

function Flag({ name, mark, side }: { name: string; mark: number; side: 'above' | 'below' }) {
  return (
    <div className="grid grid-cols-5">
      <span className="text-center text-sm font-semibold whitespace-nowrap flex flex-col items-center" style={{ gridColumnStart: mark }}>
        {side === 'below' && <span className="w-2 h-2.5 bg-ochre" />}
        <span className={`max-w-32 truncate ${mark === SCALE[0] ? 'self-start' : mark === SCALE.length ? 'self-end' : ''}`}>{name}</span>
        {side === 'above' && <span className="w-2 h-2.5 bg-petrol" />}
      </span>
    </div>
  )
}
