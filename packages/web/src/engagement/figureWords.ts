import type { CountedFigure } from '@jackdaw/contracts/engagement'
import type { Texts } from '../ui/words/texts'

/** What a figure is called, and what it counts, in a sentence. */
export const figureWords = (t: Texts['t']): Record<CountedFigure, { name: string; counts: string }> => ({
  views: { name: t('Views'), counts: t('Times that somebody began to use something, in any way.') },
  people: { name: t('People reached'), counts: t('People who did so at least once.') },
  newcomers: { name: t('There for the first time'), counts: t('People who had never before used any of what is looked at.') },
  finished: { name: t('Finished'), counts: t('Times that a guide was read to its end, a quiz passed, a task confirmed.') },
  finishers: { name: t('People who finished'), counts: t('People who viewed it and finished it, both in these days.') },
  things: { name: t('Different things'), counts: t('What was viewed at least once.') },
  acts: { name: t('What happened last'), counts: t('Each time that somebody began to use something, or finished it.') },
  time: { name: t('Time spent'), counts: t('Days on which somebody had something open and did something in it, with how long.') },
  guests: { name: t('Visits of guests'), counts: t('Visits by a link, without an account. They are in no other figure.') },
  written: { name: t('Published for the first time'), counts: t('Guides, quizzes and tasks that came out in these days.') },
  changed: { name: t('Further editions'), counts: t('Editions that took the place of earlier ones.') },
  reached: {
    name: t('Of the first-published, reached others'),
    counts: t('Those that somebody but their owner used within four weeks.'),
  },
})
