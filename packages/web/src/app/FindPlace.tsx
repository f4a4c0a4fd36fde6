import { Search } from 'lucide-react'
import { Suspense, useEffect, useState } from 'react'
import { lazyPart } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useKeys } from '../ui/keys/useKeys'

const Find = lazyPart(async () => (await import('./Find')).Find)

/** The field by which guides are found. What it needs is loaded when the page is at rest, or as soon as somebody goes to it. */
export function FindPlace() {
  const { t } = useTexts()
  const [wanted, setWanted] = useState<'no' | 'ahead' | 'now'>('no')
  useEffect(() => void Find.preloadAtRest().then(() => setWanted((before) => (before === 'no' ? 'ahead' : before))), [])
  useKeys(wanted === 'no' ? { find: () => setWanted('now') } : {})
  const place = (
    <button
      type="button"
      className="w-full max-w-72 min-h-9 pl-8 pr-2 relative bg-page border border-edge rounded-md text-left text-soft truncate whitespace-pre"
      aria-label={t('Find a guide by title or number')}
      onClick={() => setWanted('now')}
    >
      <Search size={16} className="absolute left-2.5 top-1/2 -translate-y-1/2" aria-hidden />
      {t('Find a guide   /')}
    </button>
  )
  return (
    <search className="grow flex justify-end">
      <Suspense fallback={place}>{wanted === 'no' ? place : <Find focused={wanted === 'now'} />}</Suspense>
    </search>
  )
}
