import { getDraftPicture } from '@jackdaw/contracts/pictures'
import type { Doubt, Step, StepCheck } from '@jackdaw/core/guides'
import type { GuideId, PictureId } from '@jackdaw/core/shared'
import type { TFunction } from 'i18next'
import { useTexts } from '../../ui/words/texts'
import { addressOf } from '@jackdaw/contracts/endpoint'
import { Button } from '../../ui'

/** A doubt of the rules in words. */
export function doubtWords(doubt: Doubt, t: TFunction): string {
  switch (doubt) {
    case 'no-name':
      return t('The element has no name that can be read out')
    case 'odd-name':
      return t('The element has only a name made for programs')
    case 'long-name':
      return t('The name was too long and is shortened')
    case 'repeated-name':
      return t('Several elements on the page have this name')
    case 'hidden-name':
      return t('Something private was taken out of the name')
    case 'plain-area':
      return t('What was pressed does not say that it can be pressed')
    case 'drawn-area':
      return t('A place in a drawing was pressed; say which in words')
    case 'vanished':
      return t('The element vanished while it was pressed')
    case 'picture-uncertain':
      return t('The picture may not show the moment before')
    case 'no-picture':
      return t('There is no picture of the moment before')
  }
}

/** What an author should look at in a recorded step, and the choice of another picture. */
export function StepCheckPanel({
  guideId,
  step,
  check,
  number,
  onRight,
  onUse,
}: {
  guideId: GuideId
  step: Step
  check: StepCheck
  number: number
  onRight: () => void
  onUse: (pictureId: PictureId) => void
}) {
  const { t } = useTexts()
  const others = check.otherPictures.filter((id) => !step.pictures.some((picture) => picture.id === id))
  return (
    <section aria-label={t('Worth a look: step {{n}}', { n: number })} className="mt-3 border-l-4 border-ochre bg-page px-4 py-2.5">
      <p className="font-semibold text-ochre">
        {t('Worth a look: the rules are {{percent}} % sure', { percent: Math.round(check.sureness * 100) })}
      </p>
      <ul className="text-sm list-disc pl-5">
        {check.doubts.map((doubt) => (
          <li key={doubt}>{doubtWords(doubt, t)}</li>
        ))}
      </ul>
      {others.length > 0 && (
        <ul className="flex flex-wrap gap-3 mt-2" aria-label={t('Other pictures from about the same time')}>
          {others.map((id, n) => (
            <li key={id} className="w-44">
              <img
                src={addressOf(getDraftPicture, { id: guideId, pictureId: id }, { size: 'thumb' })}
                alt={t('Other picture {{n}} for step {{step}}', { n: n + 1, step: number })}
                className="w-full h-28 object-contain bg-sheet border border-hair"
                loading="lazy"
              />
              <Button look="quiet" className="text-sm px-1" onClick={() => onUse(id)}>
                {t('Use picture {{n}} instead', { n: n + 1 })}
              </Button>
            </li>
          ))}
        </ul>
      )}
      <Button className="mt-2 text-sm" onClick={onRight} aria-label={t('Looks right: step {{n}}', { n: number })}>
        {t('Looks right')}
      </Button>
    </section>
  )
}
