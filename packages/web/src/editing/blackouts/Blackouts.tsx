import type { askBlackoutReach, FoundPrivate } from '@jackdaw/contracts/blackouts'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import { areaFrom } from '@jackdaw/core/annotations'
import type { Change, GuideDocument, PictureSizes, Rect } from '@jackdaw/core/guides'
import type { GuideId, PictureId, StepId } from '@jackdaw/core/shared'
import type { TFunction } from 'i18next'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { Button, Check, Failed, Message } from '../../ui'
import { Question } from '../../ui/over/Question'
import { Dialog } from '../../ui/over/Dialog'
import type { DraftSession } from '../saving/draftSession'
import { pendingBlackouts, useApplyBlackouts, useBlackoutReach, usePrivateIn, usePrivateInGuide, type FoundIn } from './useBlackouts'

function kindWords(kind: FoundPrivate['kind'], t: TFunction): string {
  switch (kind) {
    case 'mail':
      return t('Mail address')
    case 'phone':
      return t('Phone number')
    case 'account':
      return t('Card or account number')
    case 'person':
      return t('Name from the directory')
    case 'address':
      return t('Postal address')
    default:
      return t('Private')
  }
}

/** What looks private in one picture, to be blacked out with one press. */
export function FoundPrivately({
  guideId,
  pictureId,
  add,
}: {
  guideId: GuideId
  pictureId: PictureId
  add: (areas: readonly Rect[]) => void
}) {
  const { t } = useTexts()
  const query = usePrivateIn(guideId, pictureId)
  const found = query.data?.found ?? []
  if (!query.data?.known) return null
  if (found.length === 0) return <p className="text-sm text-soft">{t('In the words that the recorder saw here, nothing looks private.')}</p>
  return (
    <section aria-label={t('Looks private')} className="border-l-4 border-ochre bg-sheet px-3 py-2">
      <h3 className="text-sm text-ochre">{t('Looks private: {{n}}', { n: found.length })}</h3>
      <ul className="text-sm">
        {found.map((each, n) => (
          <li key={n} className="truncate">
            {kindWords(each.kind, t)}: <strong>{each.words}</strong>
          </li>
        ))}
      </ul>
      <Button className="text-sm mt-1" onClick={() => add(found.map((each) => each.rect))}>
        {t('Draw blackouts over all')}
      </Button>
    </section>
  )
}

/** Says that blackouts wait to be applied, and leads to where that is done. */
export function BlackoutStrip({ document, onApply }: { document: GuideDocument; onApply: () => void }) {
  const { t } = useTexts()
  const count = pendingBlackouts(document).reduce((sum, place) => sum + place.annotationIds.length, 0)
  if (count === 0) return null
  return (
    <div role="status" className="flex flex-wrap items-center gap-3 border-l-4 border-ink bg-page px-4 py-2 mb-4">
      <span className="grow">
        <strong>{t('{{count}} blackouts', { count })}</strong>{' '}
        {t('drawn and not applied: until then what is under them is still there, and the guide cannot be published.')}
      </span>
      <Button look="danger" onClick={onApply}>
        {t('Apply …')}
      </Button>
    </div>
  )
}

/** Asks once, says that it is for ever and what it touches, and applies all blackouts of the guide. */
export function ApplyBlackouts({
  guideId,
  document,
  session,
  onApplied,
  onClose,
}: {
  guideId: GuideId
  document: GuideDocument
  session: DraftSession
  onApplied: () => void
  onClose: () => void
}) {
  const { t } = useTexts()
  const [places] = useState(() => pendingBlackouts(document))
  const reach = useBlackoutReach(guideId, session, places)
  const apply = useApplyBlackouts(guideId, session, onApplied)
  const count = places.reduce((sum, place) => sum + place.annotationIds.length, 0)
  if (apply.data)
    return (
      <Dialog
        open
        onClose={onClose}
        title={t('Applied')}
        about={t('What stood there is gone from the stored pictures, from all editions and from everything made from them.')}
      >
        <Button look="primary" onClick={onClose}>
          {t('Good')}
        </Button>
      </Dialog>
    )
  return (
    <Question
      title={t('Destroy what is under {{count}} blackouts', { count })}
      about={t('Nobody can bring it back.')}
      yes={apply.isPending ? t('Destroying …') : t('Destroy it now')}
      no={t('Leave it for now')}
      pending={apply.isPending}
      ready={reach.data !== undefined}
      error={apply.error}
      onNo={onClose}
      onYes={() => apply.mutate(places)}
    >
      {reach.isPending && <p role="status">{t('Looking where these pictures are shown …')}</p>}
      {reach.isError && <Failed error={reach.error} />}
      {reach.data && <Reach reach={reach.data} />}
    </Question>
  )
}

/** Where the pictures are shown that would be changed. */
function Reach({ reach }: { reach: ResponseOf<typeof askBlackoutReach> }) {
  const { t } = useTexts()
  return (
    <div>
      <p className="mb-2">
        {t('{{count}} pictures are stored anew, and the old files deleted. They are shown in:', { count: reach.pictures })}
      </p>
      <ul className="border-y border-hair mb-3">
        {reach.guides.map((guide) => (
          <li key={guide.id} className="py-1.5 border-b border-hair last:border-b-0">
            <strong>
              {guide.number} {guide.title}
            </strong>{' '}
            <span className="text-soft">
              {guide.editions.length === 0 ? t('draft only') : t('draft and edition {{list}}', { list: guide.editions.join(', ') })}
            </span>
          </li>
        ))}
      </ul>
      <p className="text-sm text-soft mb-2">{t('Editions keep their number and say that they were amended.')}</p>
      {reach.elsewhere > 0 && (
        <Message tone="warn" title={t('{{count}} other guides hold copies that you may not edit', { count: reach.elsewhere })}>
          {t('Theirs stay as they are. Ask a lead to apply the blackout there.')}
        </Message>
      )}
      <p className="text-sm text-soft">
        {t('What browsers, tablets and backups still hold is reached at their next contact, or not at all.')}
      </p>
    </div>
  )
}

const keyOf = (place: FoundIn, n: number) => `${place.stepId} ${place.pictureId} ${n}`

/** Blackouts over what was found and left ticked. */
const blackoutsOver = (places: readonly FoundIn[], left: ReadonlySet<string>, sizes: PictureSizes): Change[] =>
  places.flatMap((place) =>
    place.found.flatMap((each, n): Change[] => {
      const size = sizes[place.pictureId]
      if (left.has(keyOf(place, n)) || !size) return []
      return [
        {
          type: 'put-annotation',
          stepId: place.stepId as StepId,
          pictureId: place.pictureId,
          annotation: { id: nanoid(), kind: 'blackout', area: areaFrom(each.rect, { of: size }) },
          after: null,
        },
      ]
    }),
  )

/** Looks through all pictures of the guide for what looks private, and draws blackouts over what the author leaves ticked. */
export function FindPrivateData({
  guideId,
  document,
  sizes,
  session,
  onClose,
}: {
  guideId: GuideId
  document: GuideDocument
  sizes: PictureSizes
  session: DraftSession
  onClose: () => void
}) {
  const { t } = useTexts()
  const query = usePrivateInGuide(guideId, document)
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const places = query.data ?? []
  const count = places.reduce((sum, place) => sum + place.found.filter((_, n) => !left.has(keyOf(place, n))).length, 0)
  const draw = () => {
    session.change(...blackoutsOver(places, left, sizes))
    onClose()
  }
  const toggle = (key: string) =>
    setLeft((now) => {
      const next = new Set(now)
      if (!next.delete(key)) next.add(key)
      return next
    })
  return (
    <Dialog
      open
      onClose={onClose}
      title={t('Private data in the pictures')}
      about={t('Found in the words that the recorder saw. Photos and pictures from elsewhere have to be looked at by you.')}
    >
      {query.isPending && <p role="status">{t('Looking through the pictures …')}</p>}
      {query.isError && <Failed error={query.error} />}
      {query.data && places.length === 0 && <p>{t('Nothing looks private.')}</p>}
      <FoundPlaces {...{ places, left }} onToggle={toggle} />
      {count > 0 && (
        <Button look="primary" className="mt-3" onClick={draw}>
          {t('Draw {{count}} blackouts', { count })}
        </Button>
      )}
    </Dialog>
  )
}

function FoundPlaces({
  places,
  left,
  onToggle,
}: {
  places: readonly FoundIn[]
  left: ReadonlySet<string>
  onToggle: (key: string) => void
}) {
  const { t } = useTexts()
  return (
    <ul className="max-h-[44vh] overflow-auto">
      {places.map((place) => (
        <li key={`${place.stepId} ${place.pictureId}`} className="border-t border-hair py-2">
          <p className="text-sm text-soft">{t('Step {{n}}', { n: place.number })}</p>
          {place.found.map((each, n) => (
            <Check
              key={n}
              className="text-sm"
              checked={!left.has(keyOf(place, n))}
              onChange={() => onToggle(keyOf(place, n))}
              label={
                <>
                  {kindWords(each.kind, t)}: <strong>{each.words}</strong>
                </>
              }
            />
          ))}
        </li>
      ))}
    </ul>
  )
}
