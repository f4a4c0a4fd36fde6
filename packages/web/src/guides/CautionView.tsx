import type { Caution, CautionLevel } from '@jackdaw/core/guides'
import type { TFunction } from 'i18next'
import type { ReactNode } from 'react'
import { useTexts } from '../ui/words/texts'

/** The signal word of a level, as ANSI Z535 has it. */
export function cautionWord(level: CautionLevel, t: TFunction): string {
  switch (level) {
    case 'danger':
      return t('Danger')
    case 'warning':
      return t('Warning')
    case 'caution':
      return t('Caution')
    case 'note':
      return t('Note')
  }
}
/** What a level stands for. */
export function cautionMeaning(level: CautionLevel, t: TFunction): string {
  switch (level) {
    case 'danger':
      return t('Death or serious injury will follow')
    case 'warning':
      return t('Death or serious injury may follow')
    case 'caution':
      return t('A lighter injury may follow')
    case 'note':
      return t('Damage, loss of time or of quality')
  }
}

// Signal words of ANSI Z535.4: red, orange and yellow panels with the safety alert symbol; a plain blue one for what hurts nobody.
const PANELS: Record<CautionLevel, { panel: string; ink: string; triangle: string | null; mark: string }> = {
  danger: { panel: '#c8102e', ink: '#ffffff', triangle: '#ffffff', mark: '#c8102e' },
  warning: { panel: '#ff8200', ink: '#000000', triangle: '#000000', mark: '#ff8200' },
  caution: { panel: '#ffd100', ink: '#000000', triangle: '#000000', mark: '#ffd100' },
  note: { panel: '#0b5394', ink: '#ffffff', triangle: null, mark: '' },
}

/** The signal word on its panel. */
export function SignalWord({ level }: { level: CautionLevel }) {
  const { t } = useTexts()
  const { panel, ink, triangle, mark } = PANELS[level]
  return (
    <strong
      className="inline-flex items-center gap-1.5 px-2 min-h-8 uppercase tracking-wide text-sm"
      style={{ background: panel, color: ink }}
    >
      {triangle && (
        <svg viewBox="0 0 24 22" width={20} height={18} aria-hidden>
          <path d="M12 1L23.5 21H.5z" fill={triangle} />
          <path d="M11 8h2l-.4 6h-1.2zM12 18.3a1.3 1.3 0 1 0 0-2.6 1.3 1.3 0 0 0 0 2.6z" fill={mark} />
        </svg>
      )}
      {cautionWord(level, t)}
    </strong>
  )
}

/** A caution as readers see it. @param children what has to be done about it */
export function CautionView({ caution, children }: { caution: Caution; children?: ReactNode }) {
  return (
    <section className="border-2 bg-sheet" style={{ borderColor: PANELS[caution.level].panel }} data-caution={caution.level}>
      <SignalWord level={caution.level} />
      <div className="px-3 py-2">
        <p className="guide-text whitespace-pre-line">{caution.words}</p>
        {children}
      </div>
    </section>
  )
}
