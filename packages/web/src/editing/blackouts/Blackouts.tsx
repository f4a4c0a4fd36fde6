import type { FoundPrivate } from '@jackdaw/contracts/blackouts'
import { areaFrom } from '@jackdaw/core/annotations'
import type { Change, GuideDocument, PictureSizes, Rect } from '@jackdaw/core/guides'
import type { GuideId, PictureId, StepId } from '@jackdaw/core/shared'
import type { TFunction } from 'i18next'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { useTexts } from '../../ui/words/texts'
import { Button, Failed, Message, Tickbox } from '../../ui'
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
  const done = apply.data
  return (
    <Dialog
      open
      onClose={() => !apply.isPending && onClose()}
      title={done ? t('Applied') : t('Destroy what is under {{count}} blackouts', { count })}
      about={
        done
          ? t('What stood there is gone from the stored pictures, from all editions and from everything made from them.')
          : t('Nobody can bring it back.')
      }
    >
      {reach.isPending && <p role="status">{t('Looking where these pictures are shown …')}</p>}
      {reach.isError && <Failed error={reach.error} />}
      {reach.data && !done && (
        <>
          <p className="mb-2">
            {t('{{count}} pictures are stored anew, and the old files deleted. They are shown in:', { count: reach.data.pictures })}
          </p>
          <ul className="border-y border-hair mb-3">
            {reach.data.guides.map((guide) => (
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
          {reach.data.elsewhere > 0 && (
            <Message tone="warn" title={t('{{count}} other guides hold copies that you may not edit', { count: reach.data.elsewhere })}>
              {t('Theirs stay as they are. Ask a lead to apply the blackout there.')}
            </Message>
          )}
          <p className="text-sm text-soft mb-4">
            {t('What browsers, tablets and backups still hold is reached at their next contact, or not at all.')}
          </p>
        </>
      )}
      {apply.isError && <Failed error={apply.error} />}
      {done ? (
        <Button look="primary" onClick={onClose}>
          {t('Good')}
        </Button>
      ) : (
        <div className="flex gap-2">
          <Button look="danger" disabled={!reach.data || apply.isPending} onClick={() => apply.mutate(places)}>
            {apply.isPending ? t('Destroying …') : t('Destroy it now')}
          </Button>
          <Button disabled={apply.isPending} onClick={onClose}>
            {t('Leave it for now')}
          </Button>
        </div>
      )}
    </Dialog>
  )
}

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
  const keyOf = (place: FoundIn, n: number) => `${place.stepId} ${place.pictureId} ${n}`
  const places = query.data ?? []
  const count = places.reduce((sum, place) => sum + place.found.filter((_, n) => !left.has(keyOf(place, n))).length, 0)
  const draw = () => {
    const changes = places.flatMap((place) =>
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
    session.change(...changes)
    onClose()
  }
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
      <ul className="max-h-[44vh] overflow-auto">
        {places.map((place) => (
          <li key={`${place.stepId} ${place.pictureId}`} className="border-t border-hair py-2">
            <p className="text-sm text-soft">{t('Step {{n}}', { n: place.number })}</p>
            {place.found.map((each, n) => (
              <label key={n} className="flex gap-2 items-center min-h-8 cursor-pointer">
                <Tickbox
                  checked={!left.has(keyOf(place, n))}
                  onChange={() =>
                    setLeft((now) => {
                      const next = new Set(now)
                      if (!next.delete(keyOf(place, n))) next.add(keyOf(place, n))
                      return next
                    })
                  }
                />
                <span className="text-sm">
                  {kindWords(each.kind, t)}: <strong>{each.words}</strong>
                </span>
              </label>
            ))}
          </li>
        ))}
      </ul>
      {count > 0 && (
        <Button look="primary" className="mt-3" onClick={draw}>
          {t('Draw {{count}} blackouts', { count })}
        </Button>
      )}
    </Dialog>
  )
}
