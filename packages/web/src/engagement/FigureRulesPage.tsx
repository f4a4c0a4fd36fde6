import type { FigureRules } from '@jackdaw/contracts/ownUse'
import { KEPT_MONTHS, keptSince } from '@jackdaw/core/engagement'
import type { LocalDate } from '@jackdaw/core/shared'
import { useState } from 'react'
import { Button, Check, dayAndYearOf, Failed, Loaded, NumberField, showToast, TitleLine } from '../ui'
import { useTexts } from '../ui/words/texts'
import { todayHere } from './looking'
import { useFigureRules, useSaveFigureRules } from './ownQueries'

/** How figures are shown to those who may not see whom they count, and how long it is kept who used what when. */
export function FigureRulesPage() {
  const query = useFigureRules()
  return <Loaded query={query}>{(stored) => <RulesForm stored={stored} />}</Loaded>
}

const USUAL_MONTHS = 36
function RulesForm({ stored: { since: already, ...stored } }: { stored: FigureRules & { since: LocalDate | null } }) {
  const { t } = useTexts()
  const save = useSaveFigureRules()
  const [{ leastGroup, keepMonths }, setRules] = useState(stored)
  const change = (more: Partial<FigureRules>) => setRules((before) => ({ ...before, ...more }))
  return (
    <form
      className="grow flex flex-col"
      onSubmit={(event) => {
        event.preventDefault()
        if (!save.isPending) save.mutate({ leastGroup, keepMonths }, { onSuccess: () => showToast(t('Saved')) })
      }}
    >
      <title>{t('Rules – Engagement – Jackdaw')}</title>
      <TitleLine
        where={{ to: '/engagement', name: t('Engagement') }}
        title={t('Rules')}
        state={t('What is kept of who used what, and what authors see of it')}
      >
        <Button type="submit" look="primary" disabled={save.isPending}>
          {t('Save')}
        </Button>
      </TitleLine>
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-5">
        <div className="max-w-2xl space-y-8">
          {save.isError && <Failed error={save.error} />}
          <section className="space-y-4">
            <h2 className="text-lg">{t('Who used what when')}</h2>
            <Check
              label={t('Keep it for ever')}
              checked={keepMonths === null}
              onChange={(event) => change({ keepMonths: event.target.checked ? null : USUAL_MONTHS })}
            />
            {keepMonths !== null && (
              <NumberField
                label={t('Keep it for so many whole months')}
                value={keepMonths}
                {...{ min: KEPT_MONTHS.least, max: KEPT_MONTHS.most }}
                whole
                onChange={(months) => change({ keepMonths: months })}
              />
            )}
            <KeptSince already={already} since={keptSince(todayHere(), keepMonths, already)} />
            <p className="text-soft">
              {t('Records stay: what somebody finished, confirmed, acknowledged and passed, and when they first and last used it.')}
            </p>
          </section>
          <section className="space-y-4">
            <h2 className="text-lg">{t('What authors see of how others use what they own')}</h2>
            <NumberField
              label={t('Smallest group that is counted by itself')}
              value={leastGroup}
              min={5}
              max={100}
              whole
              onChange={(least) => change({ leastGroup: least })}
            />
            <p className="text-soft">
              {t(
                'Authors may not see who uses their guides. Departments with fewer people are counted together, and where fewer than so many may see something at all, nothing is told of it.',
              )}
            </p>
          </section>
        </div>
      </div>
    </form>
  )
}

/** Says since when it is kept, and since when it will be. */
function KeptSince({ already, since }: { already: LocalDate | null; since: LocalDate | null }) {
  const { t } = useTexts()
  return (
    <>
      {already !== null && (
        <p>
          {t('It is kept since {{day}}. Of the days before, only how much everybody viewed and finished together is known.', {
            day: dayAndYearOf(already),
          })}
        </p>
      )}
      {since !== null && since !== already && (
        <p>
          {t(
            'From tonight on, nothing from before {{day}} is told of what anybody used or sought any more, and this cannot be undone. Only how much everybody viewed and finished together stays known of those days.',
            { day: dayAndYearOf(since) },
          )}
        </p>
      )}
    </>
  )
}
