import { useRef, useState } from 'react'
import { Button } from '../../ui'
import { useTexts } from '../../ui/words/texts'

const MOST_LOGO_PX = 320
/** A picture file as a small PNG in a data address. */
async function logoFrom(file: File): Promise<string> {
  const bitmap = await createImageBitmap(file)
  const scale = Math.min(1, MOST_LOGO_PX / Math.max(bitmap.width, bitmap.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(bitmap.width * scale))
  canvas.height = Math.max(1, Math.round(bitmap.height * scale))
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  return canvas.toDataURL('image/png')
}

/** The logo of a company, made small enough to stand in every guide. */
export function LogoField({ logo, onLogo }: { logo: string; onLogo: (logo: string) => void }) {
  const { t } = useTexts()
  const input = useRef<HTMLInputElement>(null)
  const [bad, setBad] = useState('')
  return (
    <div>
      <p className="text-sm font-semibold mb-1">{t('Logo')}</p>
      <div className="flex flex-wrap gap-2 items-center">
        {logo && <img src={logo} alt={t('Logo')} className="h-10 max-w-36 object-contain border border-hair bg-sheet" />}
        <Button className="text-sm" onClick={() => input.current?.click()}>
          {logo ? t('Another logo …') : t('Choose a logo …')}
        </Button>
        {logo && (
          <Button look="quiet" className="text-sm" onClick={() => onLogo('')}>
            {t('No logo')}
          </Button>
        )}
        <input
          ref={input}
          type="file"
          accept="image/png,image/jpeg,image/webp"
          hidden
          onChange={(event) => {
            const [file] = event.target.files ?? []
            event.target.value = ''
            if (!file) return
            logoFrom(file).then(
              (next) =>
                next.length > 300_000 ? setBad(t('This logo is too large. Take a simpler or smaller one.')) : (setBad(''), onLogo(next)),
              () => setBad(t('This file is no picture that can be read. The logo is as it was.')),
            )
          }}
        />
      </div>
      {bad && <p className="text-sm text-brick">{bad}</p>}
    </div>
  )
}
