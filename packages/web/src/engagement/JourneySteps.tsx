import type { Journey, JourneyPart, JourneyStep } from '@jackdaw/contracts/engagement'
import { chanceOfDifference, differenceOf, type Share } from '@jackdaw/core/engagement'
import type { GuideId } from '@jackdaw/core/shared'
import { Link } from 'react-router'
import { lengthOf, percentOf, StepRuler, type RulerMark } from '../ui'
import { useTexts, type Texts } from '../ui/words/texts'
import { mostLeave, shareOf, takesLongest, visitsAt, type Journeying } from './journeying'

type Beside = { search: Journeying; journey: Journey } | null
const COLUMNS = 'grid shrink-0 text-xs leading-5 gap-x-3 tabular-nums text-right'
const WITHOUT = 'grid-cols-[3rem_8.5rem] md:grid-cols-[4rem_4rem_4rem_9rem_6.5rem]'
const WITH = 'grid-cols-[3rem_8.5rem] md:grid-cols-[4rem_4rem_4rem_9rem_9rem_11rem]'

/** The steps on the ruler: how many visits came, went on, went back and left. */
export function JourneySteps({ id, search, journey, beside }: { id: GuideId; search: Journeying; journey: Journey; beside: Beside }) {
  const { t } = useTexts()
  const worst = mostLeave(journey)
  const slowest = takesLongest(journey)
  const heads = [t('came'), t('went on'), t('went back'), t('left, of those who came')]
  const shown = (n: number) => (n === 1 || n === 2 ? 'hidden md:block' : '')
  const marks = journey.steps.flatMap((step, index): RulerMark[] => {
    const mark: RulerMark = {
      id: step.stepId,
      kind: 'step',
      name: step.name || t('Step {{n}}', { n: step.position }),
      number: step.position,
      bar: journey.visits === 0 ? 0 : step.came / journey.visits,
      figure: (
        <StepFigures
          {...{ id, search, step, beside }}
          isWorst={step.stepId === worst?.stepId}
          isSlowest={step.stepId === slowest?.stepId}
        />
      ),
    }
    const heading = step.section !== '' && step.section !== (journey.steps[index - 1]?.section ?? '')
    return heading ? [{ id: `section ${step.stepId}`, kind: 'section', name: step.section }, mark] : [mark]
  })
  return (
    <>
      <div className="flex justify-end border-b-2 border-ink pb-1 pr-2" aria-hidden>
        <span className={`${COLUMNS} ${beside ? WITH : WITHOUT} font-semibold`}>
          {heads.map((head, n) => (
            <span key={head} className={shown(n)}>
              {head}
            </span>
          ))}
          {!beside && <span className="hidden md:block">{t('time / reading')}</span>}
          {beside && (
            <>
              <span className="hidden md:block">{t('left, beside it')}</span>
              <span className="hidden md:block">{t('difference')}</span>
            </>
          )}
        </span>
      </div>
      <StepRuler marks={marks} label={t('Step by step')} />
      <p className="text-sm text-soft mt-3 max-w-prose">
        {t(
          'A visit is one time that somebody used the guide. It goes on when it comes to a later step afterwards or finishes, back when it comes to an earlier one, and leaves at the last step that it saw without finishing. The bar is the share of all visits that came to the step. In brackets: where the share may well lie (95 %). Time is that of a visit that spent any at the step, on average, beside that in which its words are usually read.',
        )}{' '}
        {beside && t('The chance says how often so large a difference comes about where there is none.')}
      </p>
    </>
  )
}

/** A number of visits at a step, which leads to them. */
function Count({ to, n, label, className = '' }: { to: string; n: number; label: string; className?: string }) {
  if (n === 0) return <span className={`text-soft ${className}`}>0</span>
  return (
    <Link to={to} aria-label={`${n} ${label}`} className={`underline underline-offset-3 ${className}`}>
      {n}
    </Link>
  )
}

function StepFigures({
  id,
  search,
  step,
  beside,
  isWorst,
  isSlowest,
}: {
  id: GuideId
  search: Journeying
  step: JourneyStep
  beside: Beside
  isWorst: boolean
  isSlowest: boolean
}) {
  const { t } = useTexts()
  const name = `${step.position}, ${step.name}`
  const to = (part: JourneyPart) => visitsAt(id, search, part, step.stepId)
  const other = beside?.journey.steps.find(({ stepId }) => stepId === step.stepId)
  return (
    <span className={`${COLUMNS} ${beside ? WITH : WITHOUT} pt-0.5`}>
      <Count to={to('came')} n={step.came} label={t('came to step {{name}}', { name })} />
      <Count to={to('on')} n={step.on} label={t('went on from step {{name}}', { name })} className="hidden md:block" />
      <Count to={to('back')} n={step.back} label={t('went back from step {{name}}', { name })} className="hidden md:block" />
      <span className={isWorst ? 'text-brick font-bold' : ''}>
        {isWorst && <span aria-hidden>▲ </span>}
        <Count to={to('left')} n={step.left} label={t('left at step {{name}}', { name })} />{' '}
        {step.left > 0 && <span>· {shareOf(t, step.left, step.came)}</span>}
      </span>
      {!beside && (
        <span className={`hidden md:block ${isSlowest ? 'text-brick font-bold' : ''}`}>
          {isSlowest && <span aria-hidden>▲ </span>}
          {step.meanMs === null ? '–' : `${lengthOf(step.meanMs)} / ${lengthOf(step.readingMs)}`}
        </span>
      )}
      {beside && other && (
        <>
          <span className="hidden md:block">
            <Count
              to={visitsAt(id, beside.search, 'left', step.stepId)}
              n={other.left}
              label={t('left at step {{name}}, beside it', { name })}
            />{' '}
            {other.left > 0 && <>· {shareOf(t, other.left, other.came)}</>}
          </span>
          <span className="hidden md:block">{differenceInWords(t, step, other)}</span>
        </>
      )}
    </span>
  )
}

/** Below this the difference is held to be more than chance. */
const BY_CHANCE = 0.05
/** By how much more, or less, of those who came leave than beside it. */
function differenceInWords(t: Texts['t'], step: JourneyStep, other: JourneyStep): string {
  return step.left + other.left === 0 ? '–' : inWords(t, { hits: step.left, of: step.came }, { hits: other.left, of: other.came })
}
/** By how much two shares differ, and whether that is more than chance. */
export function inWords(t: Texts['t'], one: Share, two: Share): string {
  if (one.of === 0 || two.of === 0) return '–'
  const { by } = differenceOf(one, two)
  const chance = chanceOfDifference(one, two)
  const sign = by > 0 ? '+' : by < 0 ? '−' : ''
  const much = `${sign}${percentOf(Math.abs(by))}`
  return chance < BY_CHANCE
    ? t('{{much}}, more than chance', { much })
    : t('{{much}}, chance {{chance}}', { much, chance: percentOf(chance) })
}
