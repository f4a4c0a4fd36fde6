import type { DraftConflict } from '@jackdaw/contracts/guides'
import { GUIDE_LIMITS, type Caution, type Change } from '@jackdaw/core/guides'
import type { TFunction } from 'i18next'
import type { ReactNode } from 'react'
import { useTexts } from '../../ui/words/texts'
import { Button } from '../../ui'
import { needWords } from '../steps/quizNeeds'
import { factNowWords, factWords } from './factWords'
import { RichTextView } from '../../guides/RichTextView'

const cautionWords = (cautions: readonly Caution[]): string => cautions.map((caution) => caution.words).join(' / ')

function mineShown({ mine }: DraftConflict, t: TFunction): ReactNode {
  switch (mine.type) {
    case 'set-step':
      if (mine.fields.body) return <RichTextView text={mine.fields.body} />
      if (mine.fields.cautions) return cautionWords(mine.fields.cautions)
      return <em>{t('Your change')}</em>
    case 'set-section-title':
      return mine.title
    case 'set-quiz':
      return needWords(t)[mine.need]
    case 'set-picture-alt':
      return mine.alt
    case 'set-facts':
      return factWords(mine.facts, t)
    case 'silence':
      return mine.silenced ? t('Not shown') : t('Shown')
    case 'put-annotation':
      return 'words' in mine.annotation ? mine.annotation.words : <em>{t('The annotation as you have changed it')}</em>
    case 'insert-picture':
      return <em>{t('The picture that you added')}</em>
    case 'remove-item':
    case 'remove-picture':
    case 'remove-annotation':
      return <em>{t('Remove it')}</em>
    default:
      return <em>{t('Your change')}</em>
  }
}
function theirsShown({ theirs, mine }: DraftConflict, t: TFunction): ReactNode {
  if (theirs === null) return <em>{t('It was removed')}</em>
  if (theirs.kind === 'fact') return factNowWords(theirs, t)
  if (theirs.kind === 'section') return theirs.title
  if (theirs.kind === 'quiz') return needWords(t)[theirs.need]
  if (mine.type === 'set-picture-alt')
    return theirs.pictures.find((picture) => picture.id === mine.pictureId)?.alt ?? <em>{t('It was removed')}</em>
  if (mine.type === 'put-annotation' || mine.type === 'remove-annotation') {
    const id = mine.type === 'put-annotation' ? mine.annotation.id : mine.annotationId
    const now = theirs.pictures.find((picture) => picture.id === mine.pictureId)?.annotations?.find((each) => each.id === id)
    if (!now) return <em>{t('It was removed')}</em>
    return 'words' in now ? now.words : <em>{t('The annotation as it is now')}</em>
  }
  if (mine.type === 'set-step' && mine.fields.cautions !== undefined) return cautionWords(theirs.cautions ?? [])
  return <RichTextView text={theirs.body} />
}

const isBody = (change: Change): boolean => change.type === 'set-step' && change.fields.body !== undefined

/** Two people changed the same: both versions, and the choice between them. */
export function ConflictPanel({ conflict, onSettle }: { conflict: DraftConflict; onSettle: (choice: 'mine' | 'theirs' | 'both') => void }) {
  const { t } = useTexts()
  const name = conflict.by?.name ?? t('Somebody else')
  const canKeepBoth = isBody(conflict.mine) && conflict.theirs !== null
  return (
    <section role="alert" aria-label={t('Two versions')} className="my-3 border-2 border-ochre bg-sheet p-4">
      <p className="font-semibold text-ochre">
        {conflict.limit
          ? t('{{name}} added to this at the same time, and now there would be too much.', { name })
          : t('{{name}} changed this at the same time. Nothing is lost: choose what stays.', { name })}
        {conflict.limit && ` ${t(GUIDE_LIMITS[conflict.limit].words)}`}
      </p>
      <div className="grid md:grid-cols-2 gap-4 my-3">
        <div>
          <h3 className="text-sm text-soft">{t('Yours')}</h3>
          <div className="border-l-2 border-petrol pl-3">{mineShown(conflict, t)}</div>
        </div>
        {!conflict.limit && (
          <div>
            <h3 className="text-sm text-soft">{t('{{name}}’s, now in the guide', { name })}</h3>
            <div className="border-l-2 border-hair pl-3">{theirsShown(conflict, t)}</div>
          </div>
        )}
      </div>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => onSettle('mine')}>
          {conflict.theirs === null && isBody(conflict.mine) ? t('Put mine back as a step') : t('Take mine')}
        </Button>
        <Button onClick={() => onSettle('theirs')}>{conflict.limit ? t('Leave mine out') : t('Leave theirs')}</Button>
        {canKeepBoth && <Button onClick={() => onSettle('both')}>{t('Keep both, mine as a step after it')}</Button>}
      </div>
    </section>
  )
}
