import type { BankRow } from '@jackdaw/contracts/quizzes'
import type { QuizPart } from '@jackdaw/core/quizzes'
import type { BankId } from '@jackdaw/core/shared'
import { Button, chosen, Message, NumberField, Select, TextLink } from '../../ui'
import { useTexts } from '../../ui/words/texts'

type Draw = Extract<QuizPart, { part: 'draw' }>
/** What is drawn from a bank: how many questions, and with which tag. @param stops what keeps it from being published, in words */
export function DrawSheet({
  draw,
  banks,
  stops,
  onChange,
  onRemove,
}: {
  draw: Draw
  banks: readonly BankRow[]
  stops: string | null
  onChange: (draw: Draw) => void
  onRemove: () => void
}) {
  const { t } = useTexts()
  const bank = banks.find(({ id }) => id === draw.bankId)
  const there = draw.tag === null ? bank?.questions : bank?.tags.find(({ tag }) => tag === draw.tag)?.questions
  return (
    <section className="space-y-5" aria-label={t('Draw from a bank')}>
      <header className="flex items-baseline gap-3 border-b-2 border-ink">
        <h2 className="text-lg grow">{t('Draw from a bank')}</h2>
        <Button look="quiet" onClick={onRemove}>
          {t('Delete')}
        </Button>
      </header>
      {stops !== null && <Message tone="warn" title={stops} />}
      <div className="grid sm:grid-cols-2 gap-4 max-w-xl">
        <Select label={t('Bank')} value={draw.bankId} onChange={chosen<BankId>((bankId) => onChange({ ...draw, bankId, tag: null }))}>
          {!bank && <option value={draw.bankId}>{t('a bank that is gone')}</option>}
          {banks.map(({ id, title }) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
        </Select>
        <Select
          label={t('Of these')}
          value={draw.tag ?? ''}
          onChange={chosen((tag) => onChange({ ...draw, tag: tag === '' ? null : tag }))}
        >
          <option value="">{t('all questions')}</option>
          {bank?.tags.map(({ tag, questions }) => (
            <option key={tag} value={tag}>
              {t('{{tag}} ({{questions}})', { tag, questions })}
            </option>
          ))}
          {draw.tag !== null && !bank?.tags.some(({ tag }) => tag === draw.tag) && <option value={draw.tag}>{draw.tag}</option>}
        </Select>
        <NumberField
          label={t('How many')}
          whole
          min={1}
          max={500}
          value={draw.count}
          hint={there === undefined ? undefined : t('{{there}} are there.', { there })}
          onChange={(count) => onChange({ ...draw, count })}
        />
      </div>
      <p className="text-soft max-w-xl">
        {t('Each attempt brings those that the person has seen least, with the same mix of difficulty every time.')}
      </p>
      {bank && <TextLink to={`/banks/${bank.id}`}>{t('Open the bank')}</TextLink>}
    </section>
  )
}
