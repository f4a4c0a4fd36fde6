import { Radios, Tickbox } from '../../../ui'
import { useTexts } from '../../../ui/words/texts'
import type { FieldsOf } from './fieldsOf'
import { OptionRows } from './OptionRows'

const box = 'mt-2.5'

/** Answers of which one is right. */
export function OneFields({ question: { id, ask, key }, onChange }: FieldsOf<'one'>) {
  const { t } = useTexts()
  return (
    <fieldset>
      <legend className="text-sm font-semibold mb-1">{t('Answers; mark the one that is right')}</legend>
      <OptionRows
        options={ask.options}
        name={(n) => t('Answer {{n}}', { n })}
        add={t('Add an answer')}
        before={(option, n) => (
          <input
            type="radio"
            name={`right ${id}`}
            className={`${box} size-[18px] accent-petrol shrink-0`}
            aria-label={t('Answer {{n}} is right', { n: n + 1 })}
            checked={key.right === option.id}
            onChange={() => onChange({ key: { right: option.id } })}
          />
        )}
        onChange={(options) =>
          onChange({ ask: { options }, key: { right: options.some((each) => each.id === key.right) ? key.right : null } })
        }
      />
    </fieldset>
  )
}

/** Answers of which any number is right. */
export function SeveralFields({ question: { ask, key }, onChange }: FieldsOf<'several'>) {
  const { t } = useTexts()
  const toggle = (id: string, is: boolean) =>
    onChange({ key: { ...key, right: is ? [...key.right, id] : key.right.filter((each) => each !== id) } })
  return (
    <>
      <fieldset>
        <legend className="text-sm font-semibold mb-1">{t('Answers; mark all that are right')}</legend>
        <OptionRows
          options={ask.options}
          name={(n) => t('Answer {{n}}', { n })}
          add={t('Add an answer')}
          before={(option, n) => (
            <Tickbox
              className={box}
              aria-label={t('Answer {{n}} is right', { n: n + 1 })}
              checked={key.right.includes(option.id)}
              onChange={(event) => toggle(option.id, event.target.checked)}
            />
          )}
          onChange={(options) =>
            onChange({ ask: { options }, key: { ...key, right: key.right.filter((id) => options.some((each) => each.id === id)) } })
          }
        />
      </fieldset>
      <ByField
        by={key.by}
        parts={t('Each right answer brings its part, each wrong one takes a part away.')}
        onChange={(by) => onChange({ key: { ...key, by } })}
      />
    </>
  )
}

/** Whether some of the points can be had. */
export function ByField({ by, parts, onChange }: { by: 'all' | 'parts'; parts: string; onChange: (by: 'all' | 'parts') => void }) {
  const { t } = useTexts()
  return (
    <Radios
      label={t('Points')}
      value={by}
      onChange={onChange}
      options={[
        { value: 'all', words: t('All or nothing') },
        { value: 'parts', words: t('By parts'), hint: parts },
      ]}
    />
  )
}

/** A statement that holds or does not. */
export function TrueFalseFields({ question: { key }, onChange }: FieldsOf<'true-false'>) {
  const { t } = useTexts()
  return (
    <Radios
      label={t('The statement is')}
      value={String(key.right) as 'true' | 'false'}
      onChange={(value) => onChange({ key: { right: value === 'true' } })}
      options={[
        { value: 'true', words: t('true') },
        { value: 'false', words: t('false') },
      ]}
    />
  )
}
