import type { AnalysedQuestion, analyseQuiz, Counted, Remark } from '@jackdaw/contracts/quizAnalysis'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import { wordsOf } from '@jackdaw/core/quizzes'
import type { QuizId } from '@jackdaw/core/shared'
import { CircleCheck, CircleHelp, Eye } from 'lucide-react'
import { useState } from 'react'
import { lengthOf, percentOf, TextButton } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { AmendDialog } from '../amending/AmendDialog'
import { kindName } from '../kindNames'
import { WhoAnswered, type Opened } from './WhoAnswered'

const TONE: Record<Remark['tone'], { Icon: typeof Eye; colour: string }> = {
  look: { Icon: Eye, colour: 'text-ochre' },
  good: { Icon: CircleCheck, colour: 'text-moss' },
  unknown: { Icon: CircleHelp, colour: 'text-soft' },
}

/** The questions with their figures; those that should be looked at say why. Each opens to what was chosen, and each figure to who is counted in it. */
export function QuestionRows({ analysis, counted }: { analysis: ResponseOf<typeof analyseQuiz>; counted: Counted }) {
  const { t } = useTexts()
  const asked = analysis.questions.filter((each) => each.asked > 0)
  const never = analysis.questions.length - asked.length
  return (
    <section>
      <h2 className="text-lg border-b-2 border-ink">{t('Questions')}</h2>
      <p className="text-sm text-soft py-2">
        {t(
          '“Tells apart” says how far getting a question right goes along with doing well at the others: 1 entirely, 0 not at all, below 0 the other way round.',
        )}
      </p>
      <ol>
        {asked.map((each, n) => (
          <QuestionRow
            key={each.question.id}
            {...{ each, counted }}
            id={analysis.id}
            n={n + 1}
            maySeeWho={analysis.maySeeWho}
            mayAmend={analysis.mayAmend}
          />
        ))}
      </ol>
      {never > 0 && (
        <p className="text-sm text-soft py-2">
          {t('{{count}} questions have not been asked in these attempts, or do not count.', { count: never })}
        </p>
      )}
    </section>
  )
}

function QuestionRow({
  id,
  each,
  n,
  counted,
  maySeeWho,
  mayAmend,
}: {
  id: QuizId
  each: AnalysedQuestion
  n: number
  counted: Counted
  maySeeWho: boolean
  mayAmend: boolean
}) {
  const { t } = useTexts()
  const [opened, setOpened] = useState<Opened | null>(null)
  const [amends, setAmends] = useState(false)
  const { question, gone, asked, right, discrimination, medianMs, remark } = each
  const { Icon, colour } = TONE[remark.tone]
  const who = (words: string, about: Opened) => (maySeeWho ? <TextButton onClick={() => setOpened(about)}>{words}</TextButton> : words)
  return (
    <li className="border-b border-hair py-4 space-y-2">
      <div className="grid lg:grid-cols-[2rem_minmax(0,1fr)_26rem] gap-x-4 gap-y-2">
        <span className="tabular-nums text-soft">{n}</span>
        <div className="min-w-0 space-y-1">
          <p className="font-semibold" dir="auto">
            {wordsOf(question.prompt)}
          </p>
          <p className="text-sm text-soft">
            {kindName(t, question.kind)}
            {gone && ` · ${t('not in the newest edition')}`}
          </p>
          <p className={`flex gap-2 items-start ${remark.tone === 'look' ? 'text-ink' : 'text-soft'}`}>
            <Icon
              size={18}
              className={`${colour} shrink-0 mt-0.5`}
              aria-label={remark.tone === 'look' ? t('To look at') : undefined}
              aria-hidden={remark.tone !== 'look'}
            />
            <span>{t(remark.words, remark.into)}</span>
          </p>
        </div>
        <dl className="grid grid-cols-3 gap-3 text-sm">
          <div>
            <dt className="text-soft">{t('Right')}</dt>
            <dd className="tabular-nums">
              {who(t('{{right}} of {{questions}}', { right, questions: asked }), { verdict: 'right', choice: null, words: t('Right') })}
              <span className="text-soft"> · {percentOf(each.difficulty)}</span>
            </dd>
          </div>
          <div>
            <dt className="text-soft">{t('Tells apart')}</dt>
            <dd className="tabular-nums">{discrimination === null ? '–' : discrimination.toFixed(2).replace('-', '−')}</dd>
          </div>
          <div>
            <dt className="text-soft">{t('Median time')}</dt>
            <dd className="tabular-nums">{medianMs === null ? '–' : lengthOf(medianMs)}</dd>
          </div>
        </dl>
      </div>
      {mayAmend && (
        <div className="lg:pl-12">
          <TextButton onClick={() => setAmends(true)} aria-label={t('Put results right: {{name}}', { name: wordsOf(question.prompt) })}>
            {t('Put results right …')}
          </TextButton>
        </div>
      )}
      {amends && <AmendDialog quizId={id} questionId={question.id} prompt={wordsOf(question.prompt)} onClose={() => setAmends(false)} />}
      {each.choices.length > 0 && <Choices {...{ each }} onWho={maySeeWho ? setOpened : null} />}
      {opened && <WhoAnswered quizId={id} questionId={question.id} {...{ counted, opened }} onClose={() => setOpened(null)} />}
    </li>
  )
}

/** What was chosen, how often, and how well those who chose it were elsewhere. */
function Choices({ each, onWho }: { each: AnalysedQuestion; onWho: ((opened: Opened) => void) | null }) {
  const { t } = useTexts()
  return (
    <details className="lg:pl-12">
      <summary className="text-sm text-petrol min-h-8">{t('What was chosen')}</summary>
      <div className="overflow-x-auto">
        <table className="text-sm w-full max-w-3xl">
          <thead>
            <tr className="border-b border-ink">
              {[t('Answer'), t('People'), t('Points elsewhere')].map((head) => (
                <th key={head} scope="col" className="text-left pr-6 py-1">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {each.choices.map(({ words, choice, right, count, elsewhere }) => {
              const said = 'key' in words ? t(words.key) : words.plain
              const number = t('{{count}} of {{asked}}', { count, asked: each.asked })
              return (
                <tr key={choice} className="border-b border-hair">
                  <td className="pr-6 py-1 min-w-48" dir="auto">
                    {said} {right && <span className="text-moss font-semibold">· {t('right')}</span>}
                    <span className="block h-1.5 mt-1 bg-hair max-w-60" aria-hidden>
                      <span
                        className={`block h-full ${right ? 'bg-moss' : 'bg-edge'}`}
                        style={{ width: `${(100 * count) / each.asked}%` }}
                      />
                    </span>
                  </td>
                  <td className="pr-6 tabular-nums whitespace-nowrap">
                    {onWho ? <TextButton onClick={() => onWho({ verdict: null, choice, words: said })}>{number}</TextButton> : number}
                  </td>
                  <td className="tabular-nums">{elsewhere === null ? '–' : percentOf(elsewhere)}</td>
                </tr>
              )
            })}
            {each.unanswered > 0 && (
              <tr>
                <td className="pr-6 py-1 text-soft">{t('not answered')}</td>
                <td className="tabular-nums">
                  {onWho ? (
                    <TextButton onClick={() => onWho({ verdict: 'unanswered', choice: null, words: t('not answered') })}>
                      {t('{{count}} of {{asked}}', { count: each.unanswered, asked: each.asked })}
                    </TextButton>
                  ) : (
                    t('{{count}} of {{asked}}', { count: each.unanswered, asked: each.asked })
                  )}
                </td>
                <td />
              </tr>
            )}
          </tbody>
        </table>
      </div>
    </details>
  )
}
