import { wordsOf, type Question } from '@jackdaw/core/quizzes'
import { useTexts } from '../ui/words/texts'
import { ContentView, type FileSource } from './ContentView'

/** What is right, as far as it can be told. */
export function RightAnswer({ question, source }: { question: Question; source: FileSource }) {
  const { t } = useTexts()
  const list = (ids: readonly string[], options: readonly { id: string; content: Question['prompt'] }[], ordered = false) => {
    const List = ordered ? 'ol' : 'ul'
    return (
      <List className={ordered ? 'list-decimal pl-6' : 'space-y-1'}>
        {ids.map((id) => {
          const option = options.find((each) => each.id === id)
          return option && <li key={id}>{<ContentView content={option.content} source={source} />}</li>
        })}
      </List>
    )
  }
  switch (question.kind) {
    case 'one':
      return question.key.right === null ? null : list([question.key.right], question.ask.options)
    case 'several':
      return list(question.key.right, question.ask.options)
    case 'true-false':
      return <p>{question.key.right ? t('true') : t('false')}</p>
    case 'text':
      return <p dir="auto">{question.key.accepted.filter(Boolean).join(' · ')}</p>
    case 'number':
      return (
        <p className="tabular-nums">
          {question.key.right?.toLocaleString()} {question.ask.unit}
        </p>
      )
    case 'order':
      return list(question.key.order, question.ask.entries, true)
    case 'match':
      return (
        <ul>
          {question.key.pairs.map(([left, right]) => (
            <li key={left}>
              {wordsOf(question.ask.left.find(({ id }) => id === left)?.content ?? question.prompt)} –{' '}
              {wordsOf(question.ask.right.find(({ id }) => id === right)?.content ?? question.prompt)}
            </li>
          ))}
        </ul>
      )
    case 'place':
      return (
        question.ask.picture && (
          <div className="relative inline-block max-w-full border border-hair">
            <img src={source.picture(question.ask.picture.id)} alt={question.ask.picture.alt} className="block max-w-full max-h-[50vh]" />
            {question.key.areas.map((area) => (
              <span
                key={area.id}
                className="absolute border-2 border-dashed border-ink bg-sheet/40"
                style={{
                  ...{ left: `${area.x * 100}%`, top: `${area.y * 100}%`, width: `${area.width * 100}%`, height: `${area.height * 100}%` },
                }}
              />
            ))}
          </div>
        )
      )
    case 'written':
    case 'recorded':
      return null
  }
}
