import type { GivenGrade } from '@jackdaw/contracts/judging'
import type { Criterion } from '@jackdaw/core/quizzes'
import { useTexts } from '../../ui/words/texts'

/** What each of those who judged a reply has given: a line for each of the rubric; where they differ, that stands out. */
export function GivenGrades({ grades, criteria }: { grades: readonly GivenGrade[]; criteria: readonly Criterion[] }) {
  const { t } = useTexts()
  const differs = ({ id }: Criterion) => new Set(grades.map(({ points }) => points[id])).size > 1
  return (
    <div className="space-y-3">
      <table className="w-full text-left border-t-2 border-ink">
        <caption className="sr-only">{t('What was given')}</caption>
        <thead>
          <tr className="text-sm text-soft border-b border-hair">
            <th className="font-normal py-1.5 pr-3">{t('Rubric')}</th>
            {grades.map(({ grader }) => (
              <th key={grader.id} className="font-normal py-1.5 px-2 text-right">
                {grader.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {criteria.map((criterion) => (
            <tr key={criterion.id} className="border-b border-hair align-top">
              <th scope="row" className="font-normal py-1.5 pr-3" dir="auto">
                {criterion.words}
                {differs(criterion) && <span className="block text-sm font-semibold text-brick">{t('They differ')}</span>}
              </th>
              {grades.map(({ grader, points }) => (
                <td key={grader.id} className="py-1.5 px-2 text-right tabular-nums whitespace-nowrap">
                  {t('{{points}} of {{most}}', { points: points[criterion.id] ?? 0, most: criterion.most })}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {grades.map(
        ({ grader, words }) =>
          words !== '' && (
            <p key={grader.id}>
              <span className="text-sm text-soft">{grader.name}: </span>
              <span className="whitespace-pre-line" dir="auto">
                {words}
              </span>
            </p>
          ),
      )}
    </div>
  )
}
