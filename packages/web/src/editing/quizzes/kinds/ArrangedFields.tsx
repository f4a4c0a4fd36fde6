import { wordsOf, type Option } from '@jackdaw/core/quizzes'
import { chosen, Select } from '../../../ui'
import { useTexts } from '../../../ui/words/texts'
import { ByField } from './ChosenFields'
import type { FieldsOf } from './fieldsOf'
import { OptionRows } from './OptionRows'

/** Entries that belong in an order: the one in which they stand here. */
export function OrderFields({ question: { ask, key }, onChange }: FieldsOf<'order'>) {
  const { t } = useTexts()
  return (
    <>
      <fieldset>
        <legend className="text-sm font-semibold mb-1">{t('Entries, in the right order')}</legend>
        <OptionRows
          options={ask.entries}
          name={(n) => t('Entry {{n}}', { n })}
          add={t('Add an entry')}
          before={(_, n) => <span className="w-5 mt-2 text-right tabular-nums text-soft shrink-0">{n + 1}</span>}
          onChange={(entries) => onChange({ ask: { entries }, key: { ...key, order: entries.map(({ id }) => id) } })}
        />
      </fieldset>
      <p className="text-sm text-soft">{t('They are always shown shuffled.')}</p>
      <ByField
        by={key.by}
        parts={t('The more pairs stand in the right order, the more points; what chance brings is none.')}
        onChange={(by) => onChange({ key: { ...key, by } })}
      />
    </>
  )
}

/** To each on the left belongs one on the right. */
export function MatchFields({ question: { ask, key }, onChange }: FieldsOf<'match'>) {
  const { t } = useTexts()
  const { left, right } = ask
  const to = new Map(key.pairs)
  const pairs = (lefts: readonly Option[], rights: readonly Option[], pair = to): [string, string][] =>
    lefts.flatMap(({ id }): [string, string][] => {
      const other = pair.get(id)
      return other !== undefined && rights.some((each) => each.id === other) ? [[id, other]] : []
    })
  const put = (lefts: Option[], rights: Option[]) =>
    onChange({ ask: { left: lefts, right: rights }, key: { ...key, pairs: pairs(lefts, rights) } })
  return (
    <>
      <fieldset>
        <legend className="text-sm font-semibold mb-1">{t('What is to be matched, and what belongs to it')}</legend>
        <OptionRows
          options={left}
          name={(n) => t('Left {{n}}', { n })}
          add={t('Add one on the left')}
          behind={(option, n) => (
            <div className="w-52 shrink-0">
              <Select
                label={<span className="sr-only">{t('What belongs to left {{n}}', { n: n + 1 })}</span>}
                value={to.get(option.id) ?? ''}
                onChange={chosen((id) => onChange({ key: { ...key, pairs: pairs(left, right, new Map([...to, [option.id, id]])) } }))}
              >
                <option value="">{t('choose …')}</option>
                {right.map((each, at) => (
                  <option key={each.id} value={each.id}>
                    {wordsOf(each.content) || t('Right {{n}}', { n: at + 1 })}
                  </option>
                ))}
              </Select>
            </div>
          )}
          onChange={(lefts) => put(lefts, right)}
        />
      </fieldset>
      <fieldset>
        <legend className="text-sm font-semibold mb-1">{t('What stands on the right; some of it may belong to nothing')}</legend>
        <OptionRows
          options={right}
          name={(n) => t('Right {{n}}', { n })}
          add={t('Add one on the right')}
          onChange={(rights) => put(left, rights)}
        />
      </fieldset>
      <ByField
        by={key.by}
        parts={t('Each that is matched rightly brings its part.')}
        onChange={(by) => onChange({ key: { ...key, by } })}
      />
    </>
  )
}
