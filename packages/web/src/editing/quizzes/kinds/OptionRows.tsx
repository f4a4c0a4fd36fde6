import { contentOf, QUIZ_LIMITS, wordsOf, type Option } from '@jackdaw/core/quizzes'
import { ArrowDown, ArrowUp, X } from 'lucide-react'
import { nanoid } from 'nanoid'
import type { ReactNode } from 'react'
import { Button, IconButton } from '../../../ui'
import { useTexts } from '../../../ui/words/texts'
import { ContentField } from '../ContentField'

/** Rows of what can be chosen, put in order or matched: written, moved, added and taken out. @param before what stands before each, such as whether it is right */
export function OptionRows({
  options,
  name,
  add,
  least = 2,
  before,
  behind,
  onChange,
}: {
  options: readonly Option[]
  /** What one is called, with its number. */
  name: (n: number) => string
  add: string
  least?: number
  before?: (option: Option, n: number) => ReactNode
  behind?: (option: Option, n: number) => ReactNode
  onChange: (options: Option[]) => void
}) {
  const { t } = useTexts()
  const put = (n: number, option: Option) => onChange(options.map((each, at) => (at === n ? option : each)))
  const move = (n: number, to: number) => {
    const next = [...options]
    next.splice(to, 0, ...next.splice(n, 1))
    onChange(next)
  }
  return (
    <div className="space-y-2">
      <ol className="space-y-2">
        {options.map((option, n) => {
          const called = wordsOf(option.content) || name(n + 1)
          return (
            <li key={option.id} className="flex flex-wrap sm:flex-nowrap gap-2 items-start">
              {before?.(option, n)}
              <ContentField
                label={name(n + 1)}
                placeholder={name(n + 1)}
                content={option.content}
                onChange={(content) => put(n, { ...option, content })}
              />
              {behind?.(option, n)}
              <span className="flex shrink-0">
                <IconButton name={t('Move up: {{name}}', { name: called })} disabled={n === 0} onClick={() => move(n, n - 1)}>
                  <ArrowUp size={16} aria-hidden />
                </IconButton>
                <IconButton
                  name={t('Move down: {{name}}', { name: called })}
                  disabled={n === options.length - 1}
                  onClick={() => move(n, n + 1)}
                >
                  <ArrowDown size={16} aria-hidden />
                </IconButton>
                <IconButton
                  name={t('Take out {{name}}', { name: called })}
                  disabled={options.length <= least}
                  onClick={() => onChange(options.filter((_, at) => at !== n))}
                >
                  <X size={16} aria-hidden />
                </IconButton>
              </span>
            </li>
          )
        })}
      </ol>
      <Button
        disabled={options.length >= QUIZ_LIMITS.options}
        onClick={() => onChange([...options, { id: nanoid(), content: contentOf() }])}
      >
        {add}
      </Button>
    </div>
  )
}
