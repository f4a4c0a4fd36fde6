import { Radios, TextArea, TextField } from '../ui'
import { useTexts } from '../ui/words/texts'
import type { QuestionDraft } from './questionDraft'

/** The fields in which a question is written: its words, and how it is answered. */
export function QuestionFields({ draft, change }: { draft: QuestionDraft; change: (more: Partial<QuestionDraft>) => void }) {
  const { t } = useTexts()
  return (
    <>
      <TextField label={t('Question')} value={draft.words} maxLength={300} onChange={(event) => change({ words: event.target.value })} />
      <Radios
        label={t('It is answered by')}
        value={draft.kind}
        onChange={(kind) => change({ kind })}
        options={[
          {
            value: 'choice',
            words: t('one of some answers'),
            more: (
              <TextArea
                label={t('Answers, one on each line')}
                rows={4}
                value={draft.options}
                hint={t('From two to eight.')}
                onChange={(event) => change({ options: event.target.value })}
              />
            ),
          },
          { value: 'stars', words: t('one to five stars') },
          {
            value: 'scale',
            words: t('a place on a scale from 0 to 10'),
            more: (
              <div className="grid sm:grid-cols-2 gap-2">
                <TextField
                  label={t('What 0 means')}
                  value={draft.low}
                  maxLength={120}
                  onChange={(event) => change({ low: event.target.value })}
                />
                <TextField
                  label={t('What 10 means')}
                  value={draft.high}
                  maxLength={120}
                  onChange={(event) => change({ high: event.target.value })}
                />
              </div>
            ),
          },
          { value: 'words', words: t('their own words') },
        ]}
      />
    </>
  )
}
