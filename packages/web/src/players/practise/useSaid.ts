import type { Step } from '@jackdaw/core/guides'
import { nameOf, spotsOf, type Act, type Doing as StepDoing, type PlayerState } from '@jackdaw/core/players'
import { useCallback, useEffect, useState } from 'react'
import { useTexts, type Texts } from '../../ui/words/texts'
import type { Playing } from '../usePlay'

/** What is said of the last act, and how the next one is told. */
export type Said = { words: string; tone: 'wrong' | 'part' | 'none'; act: (act: Act) => void }

/** Carries acts to the player and puts into words what came of them. */
export function useSaid({ state, act }: Playing, doing: StepDoing | undefined, asked: string): Said {
  const { t } = useTexts()
  const [part, setPart] = useState(false)
  const { at, here } = state
  useEffect(() => setPart(false), [at, here.since])
  const hinted = here.tries > 0 && state.results[at] === undefined
  const send = useCallback(
    (told: Act) => {
      // Two clicks on the wrong place are one mistake.
      if (told.do === 'click' && told.how === 'double' && doing?.kind === 'click' && doing.how !== 'double') return
      if (told.do === 'keys' && doing?.kind !== 'keys') return
      if (doing?.kind === 'nothing' && told.do !== 'go-on') return
      setPart(told.do === 'click' || told.do === 'pick')
      act({ type: 'act', act: told })
    },
    [act, doing],
  )
  if (!doing) return { words: '', tone: 'none', act: send }
  if (here.shown && here.done) return { words: t('This is how it is done. Look at it, then go on.'), tone: 'part', act: send }
  if (here.hint > 0 && hinted && !here.placed) return { words: hintWords(t, doing, here.hint, asked), tone: 'wrong', act: send }
  if (here.placed && here.hint > 0) return { words: entryWords(t, doing, here), tone: 'wrong', act: send }
  if (part && doing.kind === 'several' && here.found.length > 0)
    return { words: t('{{n}} of {{of}} found', { n: here.found.length, of: doing.spots.length }), tone: 'part', act: send }
  return { words: '', tone: 'none', act: send }
}

function entryWords(t: Texts['t'], doing: StepDoing, here: PlayerState['here']): string {
  if (doing.kind !== 'enter') return ''
  const told = doing.message || t('That is not what belongs here.')
  return here.hint > 1 ? `${told} ${acceptWords(t, doing)}` : told
}

/** What is accepted, in words. */
function acceptWords(t: Texts['t'], { accept }: Extract<StepDoing, { kind: 'enter' }>): string {
  switch (accept.how) {
    case 'pattern':
      return t('It looks like {{pattern}}: # is a digit, @ a letter.', { pattern: accept.pattern })
    case 'range':
      return t('It is a number from {{least}} to {{most}}.', { least: accept.least ?? '…', most: accept.most ?? '…' })
    case 'one-of':
      return t('It is one of: {{values}}.', { values: accept.values.join(', ') })
    case 'date':
      return t('It is the day {{day}}.', { day: accept.date })
    case 'anything':
      return t('Anything will do, but it may not be empty.')
    default:
      return t('It is: {{value}}', { value: accept.value })
  }
}

function hintWords(t: Texts['t'], doing: StepDoing, hint: number, asked: string): string {
  if (doing.kind === 'keys') return hint > 1 ? t('Not those keys. Press {{keys}}.', { keys: doing.keys }) : t('Not those keys.')
  if (doing.kind === 'pop-up') return t('Not that button. Read what the window asks.')
  const [spot] = spotsOf(doing)
  const name = spot ? nameOf(spot) : ''
  const what = {
    click: t('You are looking for “{{name}}”.', { name }),
    enter: t('You are looking for the field “{{name}}”.', { name }),
    drag: t('Drag “{{name}}”.', { name }),
    several: t('Look for all of them, in any order.'),
    nothing: '',
  }[doing.kind]
  const how =
    doing.kind === 'click' && doing.how === 'double'
      ? t('Select it twice quickly.')
      : doing.kind === 'click' && doing.how === 'right'
        ? t('Open its menu: the other mouse button, or a long press.')
        : ''
  const where = hint === 2 ? t('It is in the lighter part.') : hint === 3 ? t('It is in the frame.') : ''
  return [t('Not there.'), asked, what, how, where].filter(Boolean).join(' ')
}

/** What the step's labels ask in Practise, in one line. */
export const askedAt = (step: Step): string =>
  step.pictures
    .flatMap((picture) => picture.annotations ?? [])
    .flatMap((each) => (each.kind === 'label' && each.practiseWords ? [each.practiseWords] : []))
    .join(' ')
