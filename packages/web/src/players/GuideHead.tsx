import type { ReaderEdition } from '@jackdaw/contracts/reading'
import { darkened } from '@jackdaw/core/annotations'
import { stepsOf, type HeadFact, type Look } from '@jackdaw/core/guides'
import { Suspense, type ReactNode } from 'react'
import { useTexts } from '../ui/texts'
import { lazyPart, whenOf } from '../ui'
import { DRAFT } from './used'

const SignView = lazyPart(async () => (await import('../annotations/SignView')).SignView)
export const preloadSigns = SignView.preloadAtRest

/** The head of a guide: company, title, the facts that the company wants to be seen there, and the signs for the guide as a whole. */
export function GuideHead({ edition, look }: { edition: ReaderEdition; look: Look }) {
  const { t } = useTexts()
  const { document } = edition
  const facts: Record<HeadFact, [string, ReactNode]> = {
    owner: [t('Owner'), edition.owner],
    steps: [t('Steps'), stepsOf(document).length],
    minutes: [t('Takes about'), t('{{minutes}} min', { minutes: edition.minutes })],
    date: [t('Published'), edition.edition === DRAFT ? t('not yet') : whenOf(edition.publishedAt)],
    edition: [t('Edition'), edition.edition === DRAFT ? t('Draft') : edition.edition],
  }
  const colour = darkened(look.colour, 4.5)
  return (
    <header className="mb-5 pb-4 border-b-2" style={{ borderColor: colour }}>
      {(look.logo || look.name) && (
        <p className="flex items-center gap-3 mb-2 text-sm font-semibold" style={{ color: colour }}>
          {look.logo && <img src={look.logo} alt="" className="h-9 max-w-40 object-contain" />}
          {look.name}
        </p>
      )}
      <p className={`${look.type === 'serif' ? 'font-serif' : 'font-sans'} text-2xl leading-9 font-semibold`}>{document.title}</p>
      {document.system && document.system.name !== '' && (
        <p className="text-sm text-soft mt-1">
          {t('For {{system}}', { system: [document.system.name, document.system.versions.join(', ')].join(' ').trim() })}
        </p>
      )}
      {look.head.length > 0 && (
        <dl className="flex flex-wrap gap-x-6 gap-y-1 mt-2 text-sm">
          {look.head.map((fact) => (
            <div key={fact} className="flex gap-1.5">
              <dt className="text-soft">{facts[fact][0]}</dt>
              <dd className="font-semibold tabular-nums">{facts[fact][1]}</dd>
            </div>
          ))}
        </dl>
      )}
      {edition.amendedAt !== null && (
        <p className="text-sm text-soft mt-1">{t('Amended by a blackout on {{day}}', { day: whenOf(edition.amendedAt) })}</p>
      )}
      {document.signs.length > 0 && (
        <ul className="flex flex-wrap gap-x-5 gap-y-2 mt-3" aria-label={t('Safety signs for the whole guide')}>
          {document.signs.map((id) => (
            <li key={id}>
              <Suspense fallback={null}>
                <SignView id={id} sizePx={52} named />
              </Suspense>
            </li>
          ))}
        </ul>
      )}
    </header>
  )
}
