import type { OwnGroup, OwnItemUse } from '@jackdaw/contracts/ownUse'
import { pathOfItem, type ItemId } from '@jackdaw/core/items'
import { LocalDate } from '@jackdaw/core/shared'
import { Suspense } from 'react'
import { namedItem } from '../items'
import { ButtonLink, lazyPart, Loaded, monthOf, percentOf, StepRuler, Table, TitleLine, useSearch, Waiting, type RulerMark } from '../ui'
import { useIds } from '../ui/search/useIds'
import type { Column } from '../ui/table/columns'
import { useTexts } from '../ui/words/texts'
import { pageAt } from './looking'
import { MonthChoice } from './MonthChoice'
import { useOwnItemUse } from './ownQueries'
import { about, whyRounded } from './ownWords'

const Chart = lazyPart(async () => (await import('../ui/chart/Chart')).Chart)

/** How others use one thing of somebody who may not see who they are: month by month, by department and by step. */
export function OwnItemUsePage() {
  const { t } = useTexts()
  const { id } = useIds<{ id: ItemId }>()
  const { search, set } = useSearch({ month: LocalDate })
  const query = useOwnItemUse(id, search)
  return (
    <Loaded query={query}>
      {(found) => (
        <>
          <title>{t('{{title}} – Engagement – Jackdaw', { title: found.title })}</title>
          <TitleLine
            where={{ to: pageAt('/engagement/own', { month: search.month }), name: t('What I own') }}
            title={found.title}
            state={t('How others use {{number}}', { number: namedItem(t, found.item, found.number) })}
          >
            <ButtonLink to={pathOfItem(found.item)}>{t('Open it')}</ButtonLink>
          </TitleLine>
          <div className="bg-sheet grow border-t border-hair px-4 md:px-6 pb-8">
            {found.each.every((use) => use === null) ? (
              <p className="py-6 max-w-prose">
                {t('Fewer than {{n}} others may see this, so that nothing can be told without telling of whom.', { n: found.leastGroup })}
              </p>
            ) : (
              <>
                <div className="lg:grid grid-cols-2 gap-8 py-4">
                  <ByMonth {...found} />
                  <div>
                    <MonthChoice {...found} onChoose={(month) => set({ month })} />
                    <ByDepartment {...found} />
                  </div>
                </div>
                <BySteps {...found} />
              </>
            )}
            <p className="text-sm text-soft max-w-prose pt-4">{whyRounded(t, found.leastGroup)}</p>
          </div>
        </>
      )}
    </Loaded>
  )
}

function ByMonth({ months, each }: OwnItemUse) {
  const { t } = useTexts()
  const inOrder = months.map((month, n) => ({ month, use: each[n] ?? null })).reverse()
  const last = inOrder.at(-1)
  return (
    <Suspense fallback={<Waiting what={t('The chart is coming …')} />}>
      <Chart
        as="bars"
        title={t('People, by month')}
        head={t('Month')}
        says={t('About {{n}} people used it in {{month}}, rounded to fives.', {
          n: last?.use?.people ?? 0,
          month: monthOf(last?.month ?? ''),
        })}
        file="own-use"
        along={inOrder.map(({ month }) => month)}
        written={monthOf}
        lines={[
          { name: t('used it'), values: inOrder.map(({ use }) => use?.people ?? 0) },
          { name: t('finished it'), values: inOrder.map(({ use }) => use?.finished ?? 0) },
        ]}
      />
    </Suspense>
  )
}

function ByDepartment({ groups }: OwnItemUse) {
  const { t } = useTexts()
  const columns: Column<OwnGroup>[] = [
    {
      id: 'group',
      head: t('Department'),
      cell: ({ names, others }) => [...names, ...(others ? [t('without a department')] : [])].join(', '),
    },
    { id: 'size', head: t('May see it'), cell: ({ size }) => size },
    { id: 'people', head: t('Used it'), cell: ({ people }) => about(t, people) },
    { id: 'finished', head: t('Finished it'), cell: ({ finished, people }) => (people > 0 ? about(t, finished) : '–') },
  ]
  return (
    <Table
      label={t('By department')}
      rows={groups}
      columns={columns}
      keyOf={({ names }) => names.join(' ') || 'none'}
      empty={<p className="py-3">{t('Too few may see it in this month.')}</p>}
    />
  )
}

function BySteps({ steps }: OwnItemUse) {
  const { t } = useTexts()
  if (steps.length === 0) return null
  const marks = steps.flatMap((step, index): RulerMark[] => {
    const mark: RulerMark = {
      id: step.stepId,
      kind: 'step',
      name: step.name || t('Step {{n}}', { n: step.position }),
      number: step.position,
      bar: step.came,
      figure: (
        <span className="text-xs tabular-nums text-right shrink-0">
          {step.left > 0 ? t('about {{share}} left here', { share: percentOf(step.left) }) : t('hardly anybody left here')}
        </span>
      ),
    }
    const heading = step.section !== '' && step.section !== (steps[index - 1]?.section ?? '')
    return heading ? [{ id: `section ${step.stepId}`, kind: 'section', name: step.section }, mark] : [mark]
  })
  return (
    <section>
      <h2 className="font-semibold text-lg py-2">{t('Where they leave it, in the last twelve months')}</h2>
      <StepRuler marks={marks} label={t('Step by step')} />
      <p className="text-sm text-soft mt-3 max-w-prose">
        {t(
          'The bar is the share of all visits that came to the step; the words, how many of these ended there without finishing. Both are rounded to tenths.',
        )}
      </p>
    </section>
  )
}
