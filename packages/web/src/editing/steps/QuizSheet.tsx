import { QUIZ_NEEDS, type GuideQuiz } from '@jackdaw/core/guides'
import { ListChecks } from 'lucide-react'
import { memo } from 'react'
import { NotReadyStrip } from '../../guides/NotReadyStrip'
import { chosen, Message, Select, TextLink } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { Tick } from '../outline/Tick'
import { ConflictPanel } from '../saving/ConflictPanel'
import { ItemMenu } from './ItemMenu'
import { needWords } from './quizNeeds'
import type { Common } from './StepSheet'
import { useQuizTitle } from './useQuizTitle'

/** A quiz among the steps, on the author's sheet. */
export const QuizSheet = memo(function QuizSheet({ item, actions, conflicts, ticked }: Common & { item: GuideQuiz }) {
  const { t } = useTexts()
  const { title, quiz, quizzes } = useQuizTitle(item.quizId)
  return (
    <li id={`item-${item.id}`} className="py-4 border-t border-hair scroll-mt-32" onFocusCapture={() => actions.select(item.id)}>
      <div className="flex items-start gap-3">
        <Tick ticked={ticked} name={t('Choose quiz {{name}}', { name: title })} onTick={(range) => actions.tick(item.id, range)} />
        <ListChecks size={22} className="text-petrol shrink-0 mt-0.5" aria-hidden />
        <div className="grow min-w-0 space-y-3">
          <h3 className="font-serif text-lg leading-6 [overflow-wrap:anywhere]">{t('Quiz: {{title}}', { title })}</h3>
          <div className="flex flex-wrap gap-x-4 gap-y-2 items-end">
            <div className="min-w-0 max-w-72">
              <Select
                small
                label={t('Which quiz')}
                value={item.quizId}
                onChange={chosen((quizId: GuideQuiz['quizId']) => actions.setQuiz({ ...item, quizId }))}
              >
                {!quiz && <option value={item.quizId}>{title}</option>}
                {quizzes.map((each) => (
                  <option key={each.id} value={each.id}>
                    {each.title || t('Without a title')}
                  </option>
                ))}
              </Select>
            </div>
            <Select
              small
              label={t('Going on')}
              value={item.need}
              onChange={chosen((need: GuideQuiz['need']) => actions.setQuiz({ ...item, need }))}
            >
              {QUIZ_NEEDS.map((need) => (
                <option key={need} value={need}>
                  {needWords(t)[need]}
                </option>
              ))}
            </Select>
            {quiz && (
              <TextLink to={`/quizzes/${item.quizId}/edit`} className="min-h-8 inline-flex items-center">
                {t('{{count}} questions', { count: quiz.questions })}
              </TextLink>
            )}
          </div>
          {quiz?.edition === null && (
            <Message tone="warn" title={t('This quiz is not published yet')}>
              {t('Publish it before the guide: readers take what is published.')}
            </Message>
          )}
        </div>
        <ItemMenu name={title} itemId={item.id} notReady={item.notReady === true} actions={actions} />
      </div>
      {item.notReady && (
        <NotReadyStrip
          why={item.notReadyWhy ?? ''}
          name={title}
          onWhy={(why) => actions.setNotReady(item.id, true, why)}
          onReady={() => actions.setNotReady(item.id, false)}
        />
      )}
      {conflicts.map((conflict) => (
        <ConflictPanel key={conflict.target} conflict={conflict} onSettle={(choice) => actions.settle(conflict, choice)} />
      ))}
    </li>
  )
})
