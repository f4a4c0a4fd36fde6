import { LANGUAGES, type Language } from '@jackdaw/core/people'
import { keysOf } from '@jackdaw/core/shared'
import { Languages } from 'lucide-react'
import { chosen } from '../ui'
import { useTexts } from '../ui/words/texts'

/** In which language the pages speak. Each calls itself by its own name. */
export function LanguageField({ language, onChange }: { language: Language; onChange: (language: Language) => void }) {
  const { t } = useTexts()
  return (
    <label className="flex items-center gap-2">
      <Languages size={16} aria-hidden />
      <span className="sr-only">{t('Language')}</span>
      <select
        className="grow min-h-9 bg-sheet border border-edge rounded-md px-2"
        value={language}
        onChange={chosen((next: Language) => onChange(next))}
      >
        {keysOf(LANGUAGES).map((each) => (
          <option key={each} value={each} lang={each}>
            {LANGUAGES[each].name}
          </option>
        ))}
      </select>
    </label>
  )
}
