import { Search } from 'lucide-react'
import { useRef, useState } from 'react'
import { useNavigate } from 'react-router'
import { guideItem } from '@jackdaw/core/items'
import type { GuideId } from '@jackdaw/core/shared'
import { useTellSearch } from '../library/sought'
import { useSuggestions } from '../library/useSuggestions'
import { Suggest, type Suggestion } from '../ui/fields/Suggest'
import { useTexts } from '../ui/words/texts'
import { useKeys } from '../ui/keys/useKeys'

/** Finds guides and their steps from every page: `/` goes there, with what was looked for last selected.
 * @param focused it takes the focus when it comes */
export function Find({ focused }: { focused: boolean }) {
  const { t } = useTexts()
  const navigate = useNavigate()
  const input = useRef<HTMLInputElement>(null)
  const [typed, setTyped] = useState('')
  const { guides, steps, state } = useSuggestions(typed)
  const tell = useTellSearch()
  const entered = useRef('')
  useKeys({ find: () => input.current?.select() })
  const found: (Suggestion & { to: string; guideId: GuideId })[] = [
    ...guides.map(({ id, number, title, edition }) => ({
      id,
      guideId: id,
      words: title || t('Without a title'),
      about: edition === null ? t('Guide {{n}}, draft', { n: number }) : t('Guide {{n}}', { n: number }),
      to: edition === null ? `/guides/${id}/edit` : `/guides/${id}`,
    })),
    ...steps.map(({ guideId, stepId, title, name, position }) => ({
      id: stepId,
      guideId,
      words: name,
      about: t('Step {{n}} of {{title}}', { n: position, title }),
      to: `/guides/${guideId}?step=${stepId}`,
    })),
  ]
  // Whoever goes away without having chosen has sought too; what goes on to the library is told there.
  const leave = () => {
    if (state === 'answered' && typed.trim() !== entered.current) tell(typed, found.length, null)
  }
  return (
    <div className="relative w-full max-w-72 flex" onBlur={leave}>
      <Suggest
        ref={input}
        end
        autoFocus={focused}
        before={<Search size={16} className="absolute left-2.5 top-1/2 -translate-y-1/2 text-soft" aria-hidden />}
        label={t('Find a guide by title or number')}
        placeholder={t('Find a guide   /')}
        className="w-full min-h-9 pl-8 pr-2 bg-page border border-edge rounded-md"
        value={typed}
        suggestions={found}
        state={state}
        onChange={setTyped}
        onEnter={() => {
          entered.current = typed.trim()
          void navigate(`/library?find=${encodeURIComponent(typed.trim())}`)
        }}
        onPick={(id) => {
          const picked = found.find((each) => each.id === id)
          if (!picked) return
          tell(typed, found.length, guideItem(picked.guideId))
          setTyped('')
          void navigate(picked.to)
        }}
      />
    </div>
  )
}
