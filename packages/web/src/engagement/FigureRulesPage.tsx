import type { FigureRules } from '@jackdaw/contracts/ownUse'
import { useState } from 'react'
import { Button, Failed, Loaded, NumberField, showToast, TitleLine } from '../ui'
import { useTexts } from '../ui/words/texts'
import { useFigureRules, useSaveFigureRules } from './ownQueries'

/** How figures are shown to those who may not see whom they count. */
export function FigureRulesPage() {
  const query = useFigureRules()
  return <Loaded query={query}>{(stored) => <RulesForm stored={stored} />}</Loaded>
}

function RulesForm({ stored }: { stored: FigureRules }) {
  const { t } = useTexts()
  const save = useSaveFigureRules()
  const [leastGroup, setLeastGroup] = useState(stored.leastGroup)
  return (
    <form
      className="grow flex flex-col"
      onSubmit={(event) => {
        event.preventDefault()
        if (!save.isPending) save.mutate({ leastGroup }, { onSuccess: () => showToast(t('Saved')) })
      }}
    >
      <title>{t('Rules – Engagement – Jackdaw')}</title>
      <TitleLine
        where={{ to: '/engagement', name: t('Engagement') }}
        title={t('Rules')}
        state={t('What authors see of how others use what they own')}
      >
        <Button type="submit" look="primary" disabled={save.isPending}>
          {t('Save')}
        </Button>
      </TitleLine>
      <div className="bg-sheet grow border-t border-hair px-4 md:px-6 py-5 max-w-2xl space-y-4">
        {save.isError && <Failed error={save.error} />}
        <NumberField
          label={t('Smallest group that is counted by itself')}
          value={leastGroup}
          min={5}
          max={100}
          whole
          onChange={setLeastGroup}
        />
        <p className="text-soft">
          {t(
            'Authors may not see who uses their guides. Departments with fewer people are counted together, and where fewer than so many may see something at all, nothing is told of it.',
          )}
        </p>
      </div>
    </form>
  )
}
