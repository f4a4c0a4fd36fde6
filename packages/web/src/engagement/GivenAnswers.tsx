import type { GivenAnswer } from '@jackdaw/contracts/surveys'
import { LEAST_SHOWN, resultsOf, type SurveyQuestion } from '@jackdaw/core/surveys'
import { momentOf, percentOf, TextLink } from '../ui'
import { useTexts, type Texts } from '../ui/words/texts'

/** What a value of a question is called. */
const valueName = (t: Texts['t'], question: SurveyQuestion, value: number): string => {
  if (question.kind === 'choice') return question.options[value] ?? ''
  if (question.kind === 'stars') return t('{{n}} of 5 stars', { n: value })
  const end = question.kind === 'scale' ? { 0: question.low, 10: question.high }[value] : undefined
  return end ? `${value} (${end})` : String(value)
}

/** Says how many answers without names are not shown, and why. */
export function HeldNote({ held, over }: { held: number; over: boolean }) {
  const { t } = useTexts()
  if (held === 0) return null
  return (
    <p role="note" className="py-2 max-w-prose">
      {over
        ? t('{{count}} answers are not shown: without names, fewer than {{n}} could be told apart.', { count: held, n: LEAST_SHOWN })
        : t(
            '{{count}} answers are held back until more have come or it has ended: without names, nobody is to be able to tell whose came last.',
            { count: held },
          )}
    </p>
  )
}

/** What was answered to a question: how often each answer was given, and what was written. */
export function GivenAnswers({ question, given }: { question: SurveyQuestion; given: readonly GivenAnswer[] }) {
  const { t } = useTexts()
  if (given.length === 0) return <p className="py-3 text-soft">{t('Nobody has answered yet.')}</p>
  const results = resultsOf(
    question,
    given.map((each) => each.answer),
  )
  // An answer without a name and without words says no more than the counts do.
  const told = given.filter(({ answer, by }) => by !== null || answer.comment !== '')
  return (
    <div className="lg:grid lg:grid-cols-2 gap-8 pt-3">
      <div className={question.kind === 'words' ? 'hidden' : undefined}>
        {results.counts.length > 0 && (
          <table className="w-full text-sm" aria-label={t('Answers')}>
            <tbody>
              {results.counts.map(({ value, times }) => (
                <tr key={value} className="border-b border-hair">
                  <th scope="row" className="text-left font-normal py-1.5 pr-3">
                    {valueName(t, question, value)}
                  </th>
                  <td className="w-40">
                    <span className="block h-2 bg-hair" aria-hidden>
                      <span className="block h-full bg-petrol" style={{ width: `${(100 * times) / results.answers}%` }} />
                    </span>
                  </td>
                  <td className="pl-3 tabular-nums whitespace-nowrap">
                    {times} <span className="text-soft">({percentOf(times / results.answers)})</span>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        <p className="text-sm text-soft pt-2">
          {results.mean !== null && t('{{mean}} on average. ', { mean: results.mean.toFixed(1) })}
          {results.onlyWords > 0 && results.counts.length > 0 && t('{{n}} gave words only.', { n: results.onlyWords })}
        </p>
      </div>
      <ul className="divide-y divide-hair">
        {told.map(({ answer, by, at }, n) => (
          <li key={n} className="py-2">
            {answer.value !== null && <span className="font-semibold">{valueName(t, question, answer.value)} </span>}
            {answer.comment && <span className="[overflow-wrap:anywhere]">{answer.comment}</span>}
            {by && (
              <span className="block text-sm text-soft">
                <TextLink to={`/records/people/${by.id}`}>{by.name}</TextLink>
                {at !== null && `, ${momentOf(at)}`}
              </span>
            )}
          </li>
        ))}
      </ul>
    </div>
  )
}
