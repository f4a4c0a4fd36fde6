import type { ReaderEdition } from '@jackdaw/contracts/reading'
import { darkened } from '@jackdaw/core/annotations'
import { HEAD_FACTS, stepsOf, type HeadFact, type Look } from '@jackdaw/core/guides'
import { Suspense, type ReactNode } from 'react'
import { useTexts } from '../ui/words/texts'
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
    <header className="mb-4 pb-3 border-b-2" style={{ borderColor: colour }}>
      <div className="flex flex-wrap-reverse justify-between gap-x-6 gap-y-1">
        <p className={`${look.type === 'serif' ? 'font-serif' : 'font-sans'} text-xl leading-7 font-semibold grow basis-80`}>
          {document.title}
        </p>
        {(look.logo || look.name) && (
          <p className="flex items-center gap-2 text-sm font-semibold h-7" style={{ color: colour }}>
            {look.logo && <img src={look.logo} alt="" className="h-7 max-w-32 object-contain" />}
            {look.name}
          </p>
        )}
      </div>
      <dl className="flex flex-wrap gap-x-5 text-sm">
        {HEAD_FACTS.filter((fact) => look.head.includes(fact) && facts[fact][1] !== '').map((fact) => (
          <div key={fact} className="flex gap-1.5">
            <dt className="text-soft">{facts[fact][0]}</dt>
            <dd className="font-semibold tabular-nums">{facts[fact][1]}</dd>
          </div>
        ))}
        {document.system && document.system.name !== '' && (
          <div className="flex gap-1.5">
            <dt className="text-soft">{t('For')}</dt>
            <dd className="font-semibold">{[document.system.name, document.system.versions.join(', ')].join(' ').trim()}</dd>
          </div>
        )}
      </dl>
      {edition.amendedAt !== null && (
        <p className="text-sm text-soft mt-1">{t('Amended by a blackout on {{day}}', { day: whenOf(edition.amendedAt) })}</p>
      )}
      {document.signs.length > 0 && (
        <ul className="flex flex-wrap gap-x-4 gap-y-1 mt-2" aria-label={t('Safety signs for the whole guide')}>
          {document.signs.map((id) => (
            <li key={id}>
              <Suspense fallback={null}>
                <SignView id={id} sizePx={36} named />
              </Suspense>
            </li>
          ))}
        </ul>
      )}
    </header>
  )
}
