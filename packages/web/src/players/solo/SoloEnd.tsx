import type { SoloResult } from '@jackdaw/contracts/players'
import { CircleCheck, CircleX } from 'lucide-react'
import { useEffect, useRef } from 'react'
import { useTexts } from '../../ui/words/texts'
import { Button, ButtonLink, lengthOf } from '../../ui'
import type { SoloDriver } from './soloDriver'

/** What came of a test: passed or not, what went wrong, and the way to practise just that. */
export function SoloEnd({ driver, result }: { driver: SoloDriver; result: SoloResult }) {
  const { t } = useTexts()
  const { attempt, preview, again } = driver
  const heading = useRef<HTMLHeadingElement>(null)
  useEffect(() => heading.current?.focus(), [])
  const { passed, percent, passMark, missed } = result
  const facts: [string, string][] = [
    [t('Pass mark'), `${passMark} %`],
    [t('Right at the first try'), t('{{right}} of {{of}} steps', { right: result.rightFirst, of: result.judged })],
    [t('Tries'), String(result.tries)],
    [t('Time on the steps'), lengthOf(result.activeMs)],
    [
      t('Attempt'),
      attempt.attemptsLeft === null ? String(attempt.number) : t('{{n}}, {{left}} left', { n: attempt.number, left: attempt.attemptsLeft }),
    ],
  ]
  return (
    <div className="w-full max-w-[820px] mx-auto px-4 py-6" data-passed={passed ? 'yes' : 'no'}>
      <div className="flex items-center gap-4 mb-4">
        {passed ? (
          <CircleCheck size={48} className="text-moss shrink-0" aria-hidden />
        ) : (
          <CircleX size={48} className="text-brick shrink-0" aria-hidden />
        )}
        <div>
          <h1 ref={heading} tabIndex={-1} className="font-serif text-2xl outline-none">
            {passed ? t('Passed with {{percent}} %', { percent }) : t('Not passed: {{percent}} %', { percent })}
          </h1>
          {result.ended === 'given-up' && <p className="text-soft">{t('The attempt was ended before its end.')}</p>}
          {result.ended === 'expired' && <p className="text-soft">{t('The attempt was not ended within a day.')}</p>}
          {preview && <p className="text-soft">{t('This is a preview. Nothing of it is kept.')}</p>}
        </div>
      </div>
      <dl className="grid grid-cols-2 sm:grid-cols-5 gap-x-6 gap-y-3 border-y border-hair py-3 mb-5">
        {facts.map(([name, value]) => (
          <div key={name}>
            <dt className="text-sm text-soft">{name}</dt>
            <dd className="font-semibold tabular-nums">{value}</dd>
          </div>
        ))}
      </dl>
      {missed.length > 0 && (
        <>
          <h2 className="text-lg mb-1">{t('What went wrong')}</h2>
          <ul className="border-t border-hair mb-5">
            {missed.map((step) => (
              <li key={step.stepId} className="border-b border-hair py-2 flex gap-4">
                <span className="grow">{step.name}</span>
                <span className={`text-sm whitespace-nowrap ${step.done ? 'text-soft' : 'text-brick font-semibold'}`}>
                  {step.done ? t('right at try {{n}}', { n: step.tries }) : t('not done')}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
      <div className="flex flex-wrap gap-2">
        {missed.length > 0 && !preview && (
          <ButtonLink
            to={`/guides/${attempt.guideId}/practise?only=${missed.map((step) => step.stepId).join(',')}`}
            look="primary"
            className="min-h-14 px-6 text-lg"
          >
            {t('Practise just these {{count}} steps', { count: missed.length })}
          </ButtonLink>
        )}
        {(attempt.attemptsLeft === null || attempt.attemptsLeft > 0) && (
          <Button className="min-h-14 px-6 text-lg" onClick={again}>
            {t('Take it again')}
          </Button>
        )}
        <ButtonLink to={preview ? `/guides/${attempt.guideId}/edit` : '/'} className="min-h-14 px-6 text-lg">
          {preview ? t('Back to the editor') : t('Go to Today')}
        </ButtonLink>
      </div>
    </div>
  )
}
