import { guideLink, isSafeLink, readGuideLink, stepName, stepsOf, type GuideDocument } from '@jackdaw/core/guides'
import type { GuideId, StepId } from '@jackdaw/core/shared'
import { getMarkRange } from '@tiptap/core'
import type { Editor } from '@tiptap/react'
import { useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { Button } from '../../ui'
import { Suggest, type Suggestion } from '../../ui/fields/Suggest'
import { useSuggestions } from '../../library/useSuggestions'
import { AtSelection } from './AtSelection'

type Place = { from: number; to: number; words: string; href: string }

/** What the link is put on: the one in which the cursor stands, or what is selected. */
function placeOf(editor: Editor): Place {
  const { selection, doc, schema } = editor.state
  const mark = schema.marks['link']!
  const within = getMarkRange(selection.$from, mark)
  const { from, to } = within ?? selection
  return {
    from,
    to,
    words: doc.textBetween(from, to, ' '),
    href: within ? (editor.getAttributes('link')['href'] ?? '') : '',
  }
}

/** What was typed, as an address. */
const asAddress = (typed: string): string => (/^[\w-]+(\.[\w-]+)+/.test(typed.trim()) ? `https://${typed.trim()}` : typed.trim())

/** Puts a link where it was asked for, or takes it away. @param words of it; without them what it leads to stands there */
function putLink(editor: Editor, place: Place, href: string, words: string): void {
  const at = editor.chain().focus().setTextSelection({ from: place.from, to: place.to })
  if (href === '') at.unsetLink().run()
  else if (words === place.words && place.to > place.from) at.setLink({ href }).setTextSelection(place.to).run()
  else
    at.insertContent({ type: 'text', text: words, marks: [{ type: 'link', attrs: { href } }] })
      .unsetMark('link')
      .run()
}

/** `guide`: the one in which it stands, whose own steps are found first; `null` for a text elsewhere. */
type LinkFormProps = { editor: Editor; guide: { id: GuideId; document: GuideDocument } | null; onClose: () => void }

/** What was typed of a link, and what it leads to. */
function useLink({ editor, guide }: LinkFormProps) {
  const { t } = useTexts()
  const [place] = useState(() => placeOf(editor))
  const [words, setWords] = useState(place.words)
  const own = readGuideLink(place.href)
  const [target, setTarget] = useState<{ href: string; name: string } | null>(
    own === null ? null : { href: place.href, name: nameOfTarget(guide, own.guideId, own.stepId) ?? t('A guide here') },
  )
  const [typed, setTyped] = useState(target ? target.name : place.href)
  const found = useSuggestions(target ? '' : typed)
  const options = optionsFor(typed, found, guide, t)
  const href = target ? target.href : asAddress(typed)
  const type = (next: string) => {
    setTyped(next)
    setTarget(null)
  }
  const pick = (id: string) => {
    const option = options.find((each) => each.id === id)!
    setTarget({ href: option.href, name: option.words })
    setTyped(option.words)
    if (words.trim() === '') setWords(option.words)
  }
  const state = /^(https?:|mailto:|tel:)/i.test(typed.trim()) || target ? 'still' : found.state
  return { place, words, setWords, target, typed, type, options, pick, state, href } as const
}

/** A link: the words that are shown, and where it leads: a guide or a step, found by typing, or an address. */
export function LinkForm(props: LinkFormProps) {
  const { editor, onClose } = props
  const { t } = useTexts()
  const { place, words, setWords, target, typed, type, options, pick, state, href } = useLink(props)
  const [tried, setTried] = useState(false)
  const wrong = href !== '' && !isSafeLink(href)
  const set = () => {
    setTried(true)
    if (wrong) return
    putLink(editor, place, href, words.trim() || target?.name || href)
    onClose()
  }
  return (
    <AtSelection editor={editor} of="selection" label={t('Link')} takesFocus onClose={onClose}>
      <form
        className="p-3 w-[min(440px,92vw)] grid grid-cols-[max-content_minmax(0,1fr)] items-center gap-x-3 gap-y-2"
        onSubmit={(event) => {
          event.preventDefault()
          event.stopPropagation()
          set()
        }}
      >
        <span className="text-sm font-semibold">{t('Leads to')}</span>
        <Suggest
          autoFocus
          label={t('Guide, step or address')}
          placeholder={t('Title, number, or https://')}
          className="w-full border border-edge min-h-9 px-2"
          value={typed}
          suggestions={options}
          state={state}
          onChange={type}
          onPick={pick}
          onEnter={set}
        />
        <label htmlFor="link-words" className="text-sm font-semibold">
          {t('Words shown')}
        </label>
        <input
          id="link-words"
          value={words}
          maxLength={300}
          className="w-full border border-edge min-h-9 px-2"
          placeholder={target?.name ?? href}
          onChange={(event) => setWords(event.target.value)}
        />
        {wrong && tried && (
          <p role="alert" className="col-span-2 text-sm text-brick">
            {t('Choose a guide or step from the list, or enter a web, mail or telephone address.')}
          </p>
        )}
        <LinkButtons removes={href === '' && place.href !== ''} nothing={href === '' && place.href === ''} onClose={onClose} />
      </form>
    </AtSelection>
  )
}

function LinkButtons({ removes, nothing, onClose }: { removes: boolean; nothing: boolean; onClose: () => void }) {
  const { t } = useTexts()
  return (
    <div className="col-span-2 flex gap-2">
      <Button type="submit" look="primary" disabled={nothing}>
        {removes ? t('Remove link') : t('Set link')}
      </Button>
      <Button look="quiet" onClick={onClose}>
        {t('Cancel')}
      </Button>
    </div>
  )
}

/** What a link leads to, as far as this guide knows it. */
function nameOfTarget(here: LinkFormProps['guide'], guideId: GuideId, stepId: StepId | null): string | null {
  if (here === null || guideId !== here.id) return null
  const step = stepsOf(here.document).find((each) => each.id === stepId)
  return step ? stepName(step) : here.document.title
}

/** Steps of this guide first, then guides, then steps of others. */
function optionsFor(
  typed: string,
  found: ReturnType<typeof useSuggestions>,
  here: LinkFormProps['guide'],
  t: ReturnType<typeof useTexts>['t'],
): (Suggestion & { href: string })[] {
  const wish = typed.trim().toLowerCase()
  if (wish === '') return []
  const own = (here ? stepsOf(here.document) : []).flatMap((step, n) =>
    stepName(step).toLowerCase().includes(wish) || wish === String(n + 1)
      ? [
          {
            id: step.id,
            words: stepName(step),
            about: t('Step {{n}} of this guide', { n: n + 1 }),
            href: guideLink({ guideId: here!.id, stepId: step.id }),
          },
        ]
      : [],
  )
  return [
    ...own.slice(0, 6),
    ...found.guides
      .filter((guide) => guide.id !== here?.id)
      .map(({ id, number, title }) => ({
        id: id,
        words: title,
        about: t('Guide {{n}}', { n: number }),
        href: guideLink({ guideId: id, stepId: null }),
      })),
    ...found.steps
      .filter((step) => step.guideId !== here?.id)
      .map(({ guideId, stepId, title, name, position }) => ({
        id: stepId,
        words: name,
        about: t('Step {{n}} of {{title}}', { n: position, title }),
        href: guideLink({ guideId, stepId }),
      })),
  ]
}
