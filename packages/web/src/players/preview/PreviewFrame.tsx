import { Smartphone } from 'lucide-react'
import type { ReactNode } from 'react'
import { useTexts } from '../../ui/words/texts'

/** Height of the bar above what is tried. */
const BAR_PX = 44
const PHONE = { width: 390, height: 760 }

/** Around a draft that is tried: says that it is one, and whose; shows it as wide as a phone; leads back. */
export function PreviewFrame({
  number,
  owner,
  phone,
  framed,
  onPhone,
  onLeave,
  children,
}: {
  number: number
  owner: string
  /** Address of the same preview to be shown in a phone's width; `null`: in the width of the window. */
  phone: string | null
  /** It is itself what stands in the phone. */
  framed: boolean
  onPhone: (on: boolean) => void
  onLeave: () => void
  children: ReactNode
}) {
  const { t } = useTexts()
  if (framed) return <div className="min-h-dvh flex flex-col">{children}</div>
  return (
    <div className="min-h-dvh flex flex-col" style={{ '--preview-bar': `${BAR_PX}px` }} data-preview>
      <div className="bg-ink text-white px-3 md:px-5 min-h-11 flex items-center gap-3 text-sm shrink-0 sticky top-0 z-30">
        <p className="grow min-w-0 truncate" data-draft-words>
          <strong className="border border-white px-1.5 mr-2">{t('Draft')}</strong>
          {t('Guide {{n}}, owner {{owner}}', { n: number, owner })}
          <span className="hidden md:inline"> · {t('Nothing of it is kept.')}</span>
        </p>
        <button
          type="button"
          aria-pressed={phone !== null}
          className="min-h-11 px-2 items-center gap-1.5 aria-pressed:bg-petrol hidden md:inline-flex"
          onClick={() => onPhone(phone === null)}
        >
          <Smartphone size={16} aria-hidden />
          {t('As on a phone')}
        </button>
        <button type="button" className="underline min-h-11 whitespace-nowrap" onClick={onLeave}>
          {t('Back to the editor')}
        </button>
      </div>
      {phone === null ? (
        children
      ) : (
        <main id="main" className="grow flex items-start justify-center p-4 bg-hair">
          <iframe
            title={t('The draft as on a phone')}
            src={phone}
            width={PHONE.width}
            style={{ height: `min(${PHONE.height}px, calc(100dvh - ${BAR_PX + 32}px))` }}
            className="bg-page border-8 border-ink rounded-[18px] shrink-0 box-content"
          />
        </main>
      )}
    </div>
  )
}
