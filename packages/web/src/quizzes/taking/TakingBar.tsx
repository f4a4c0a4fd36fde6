import { ArrowLeft, ArrowRight, Check } from 'lucide-react'
import { Button } from '../../ui'
import { BottomBar } from './BottomBar'
import { useTexts } from '../../ui/words/texts'

/** Where to go from a question, always at the bottom and always in the same place. @param left how many are not answered */
export function TakingBar({
  at,
  all,
  left,
  sending,
  inGuide,
  go,
  onHandIn,
}: {
  at: number
  all: number
  left: number
  sending: boolean
  inGuide: boolean
  go: (n: number) => void
  onHandIn: () => void
}) {
  const { t } = useTexts()
  const isLast = at === all - 1
  return (
    <BottomBar inGuide={inGuide}>
      <Button className="min-h-14 px-4" disabled={at === 0} onClick={() => go(at - 1)}>
        <ArrowLeft size={20} aria-hidden />
        <span className="max-sm:sr-only">{t('Back')}</span>
      </Button>
      <span className="grow text-sm text-soft text-center">
        {left === 0 ? t('All are answered') : t('{{count}} not answered', { count: left })}
      </span>
      {!isLast && (
        <Button look={left === 0 ? 'plain' : 'primary'} className="min-h-14 px-6" onClick={() => go(at + 1)}>
          {t('Next')}
          <ArrowRight size={20} aria-hidden />
        </Button>
      )}
      {(isLast || left === 0) && (
        <Button look="primary" className="min-h-14 px-6" disabled={sending} onClick={onHandIn}>
          <Check size={20} aria-hidden />
          {sending ? t('Handing it in …') : t('Hand it in')}
        </Button>
      )}
    </BottomBar>
  )
}
