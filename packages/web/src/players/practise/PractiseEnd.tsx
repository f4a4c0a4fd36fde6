import { pointsOf } from '@jackdaw/core/players'
import { CircleCheck } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { useTexts } from '../../ui/words/texts'
import { Button, ButtonLink } from '../../ui'
import { ClosingWords } from '../ClosingWords'
import type { UsedGuide } from '../used'
import type { Playing } from '../usePlay'
import { numbered } from '../whereWords'

/** What came of practising, and what to do with it. */
export function PractiseEnd({ guide, playing, only }: { guide: UsedGuide; playing: Playing; only: readonly string[] | null }) {
  const { t } = useTexts()
  const { state, play, again } = playing
  const heading = useRef<HTMLHeadingElement>(null)
  useEffect(() => heading.current?.focus(), [])
  const acted = play.script.steps.filter((step) => step.doing.kind !== 'nothing' && state.results[step.id])
  const missed = acted.filter((step) => pointsOf(state.results[step.id]!) < 1)
  return (
    <div className="w-full max-w-[760px] mx-auto px-4 py-8">
      <CircleCheck size={44} className="text-moss mb-3" aria-hidden />
      <h1 ref={heading} tabIndex={-1} className="font-serif text-2xl mb-1 outline-none">
        {missed.length === 0 ? t('All of it at the first try') : t('Practised to the end')}
      </h1>
      <p className="mb-5">
        {t('{{right}} of {{of}} steps at the first try and without help.', { right: acted.length - missed.length, of: acted.length })}
      </p>
      <ClosingWords document={guide.document} />
      {missed.length > 0 && (
        <>
          <h2 className="text-lg mb-1">{t('Worth another look')}</h2>
          <ul className="border-t border-hair mb-5">
            {missed.map(({ id }) => {
              const { tries, help } = state.results[id]!
              return (
                <li key={id} className="border-b border-hair py-2 flex gap-4">
                  <span className="grow">{numbered(guide, id)}</span>
                  <span className="text-sm text-soft whitespace-nowrap">
                    {help === 2 ? t('was shown') : t('{{count}} tries', { count: tries })}
                  </span>
                </li>
              )
            })}
          </ul>
        </>
      )}
      <div className="flex flex-wrap gap-2">
        {missed.length > 0 && guide.edition !== null && (
          <ButtonLink
            to={`/guides/${guide.guideId}/practise?only=${missed.map((step) => step.id).join(',')}`}
            look="primary"
            className="min-h-14 px-6 text-lg"
          >
            {t('Practise just these {{count}} steps', { count: missed.length })}
          </ButtonLink>
        )}
        {guide.edition !== null && (
          <ButtonLink to={`/guides/${guide.guideId}/solo`} look={missed.length > 0 ? 'plain' : 'primary'} className="min-h-14 px-6 text-lg">
            {t('Take it Solo')}
          </ButtonLink>
        )}
        <Button className="min-h-14 px-6 text-lg" onClick={again}>
          {only ? t('Practise these again') : t('Practise again')}
        </Button>
        <ButtonLink to={guide.edition === null ? `/guides/${guide.guideId}/edit` : '/'} className="min-h-14 px-6 text-lg">
          {guide.edition === null ? t('Back to the editor') : t('Go to Today')}
        </ButtonLink>
      </div>
    </div>
  )
}
