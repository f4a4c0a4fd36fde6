import type { HandIn } from '@jackdaw/contracts/tasks'
import { getEvidencePhoto } from '@jackdaw/contracts/tasks'
import { addressOf } from '@jackdaw/contracts/endpoint'
import { CircleCheck, CornerUpLeft, Hourglass, Undo2 } from 'lucide-react'
import type { HandInId } from '@jackdaw/core/shared'
import type { ReactNode } from 'react'
import { momentOf } from '../ui'
import { useTexts, type Texts } from '../ui/words/texts'

const ICONS = { confirmed: CircleCheck, 'sent-back': CornerUpLeft, 'taken-back': Undo2, waits: Hourglass } as const
const TONES = { confirmed: 'text-moss', 'sent-back': 'text-brick', 'taken-back': 'text-soft', waits: 'text-petrol' } as const
const answerWords = (t: Texts['t'], { answer, answeredAt, answeredBy }: HandIn): string => {
  const about = { name: answeredBy?.name ?? '', moment: answeredAt === null ? '' : momentOf(answeredAt) }
  if (answer === 'confirmed') return t('Confirmed by {{name}}, {{moment}}', about)
  if (answer === 'sent-back') return t('Sent back by {{name}}, {{moment}}', about)
  return answer === 'taken-back' ? t('Taken back, {{moment}}', about) : t('Waits to be confirmed')
}

/** The words and the photo that were handed in. */
export function HandedIn({ id, words, hasPhoto, of }: { id: HandInId; words: string; hasPhoto: boolean; of: string }) {
  const { t } = useTexts()
  return (
    <>
      {words && <p className="font-serif whitespace-pre-line [overflow-wrap:anywhere]">{words}</p>}
      {hasPhoto && (
        <a href={addressOf(getEvidencePhoto, { id }, { size: 'full' })} target="_blank" rel="noreferrer" className="inline-block mt-1">
          <img
            src={addressOf(getEvidencePhoto, { id }, { size: 'screen' })}
            alt={t('Photo handed in by {{name}}', { name: of })}
            className="max-h-72 max-w-full border border-hair bg-page"
            loading="lazy"
          />
        </a>
      )}
    </>
  )
}

/** All that somebody has handed in, the newest on top. @param actions what can be done with one that waits */
export function HandInList({ handIns, of, actions }: { handIns: readonly HandIn[]; of?: string; actions?: (handIn: HandIn) => ReactNode }) {
  const { t } = useTexts()
  return (
    <section>
      <h2 className="text-lg mb-1">{t('Handed in')}</h2>
      <ol className="border-t border-hair">
        {handIns.map((each) => {
          const state = each.answer ?? 'waits'
          const Icon = ICONS[state]
          return (
            <li key={each.id} className="border-b border-hair py-3 space-y-1.5">
              <p className="flex flex-wrap gap-x-4 items-center">
                <span className={`inline-flex items-center gap-1.5 font-semibold ${TONES[state]}`}>
                  <Icon size={16} aria-hidden />
                  {answerWords(t, each)}
                </span>
                <span className="text-sm text-soft">
                  {t('Handed in {{moment}}', { moment: momentOf(each.at) })}, {t('edition {{n}}', { n: each.edition })}
                </span>
              </p>
              {each.reason && <p className="whitespace-pre-line border-l-4 border-brick pl-3">{each.reason}</p>}
              <HandedIn {...each} of={of ?? t('you')} />
              {each.answer === null && actions?.(each)}
            </li>
          )
        })}
      </ol>
    </section>
  )
}
