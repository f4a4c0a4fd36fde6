import type { LineShown, PeoplePreview } from '@jackdaw/contracts/peopleFiles'
import { Download } from 'lucide-react'
import { Button, dayAndYearOf, Failed } from '../../ui'
import { useTexts } from '../../ui/words/texts'
import { useGroupKinds } from '../groups/queries'
import { columnWords } from './columnWords'
import { useSaveFaults, type ChosenFile } from './queries'

/** What the lines of a file do: those that are wrong first, then those that change something. */
export function LinesFound({ preview, chosen }: { preview: PeoplePreview; chosen: ChosenFile }) {
  const { t } = useTexts()
  const { counts, wrong, others, newGroups } = preview
  const changing = counts.added + counts.changed + counts.returned
  const save = useSaveFaults()
  return (
    <div className="space-y-5">
      <Figures counts={counts} />
      {newGroups.length > 0 && (
        <p className="text-sm">
          <span className="font-semibold">{t('Groups that are made:')}</span>{' '}
          {newGroups.map(({ kind, name }) => `${name} (${kind})`).join(', ')}
        </p>
      )}
      {counts.wrong > 0 && (
        <section>
          <div className="flex flex-wrap items-baseline gap-3 border-b-2 border-brick mb-1">
            <h2 className="text-lg grow">{t('{{count}} lines are wrong', { count: counts.wrong })}</h2>
            <Button look="quiet" disabled={save.isPending} onClick={() => save.mutate(chosen)}>
              <Download size={16} aria-hidden />
              {t('Save these lines, to mend them')}
            </Button>
          </div>
          {save.isError && <Failed error={save.error} />}
          <Lines lines={wrong} of={counts.wrong} />
        </section>
      )}
      {changing > 0 && (
        <section>
          <h2 className="text-lg border-b-2 border-ink mb-1">{t('{{count}} lines change something', { count: changing })}</h2>
          <Lines lines={others} of={changing} />
        </section>
      )}
    </div>
  )
}

function Figures({ counts }: { counts: PeoplePreview['counts'] }) {
  const { t } = useTexts()
  const all = [
    [t('new'), counts.added],
    [t('changed'), counts.changed],
    [t('returned'), counts.returned],
    [t('as before'), counts.same],
    [t('wrong'), counts.wrong],
  ] as const
  return (
    <dl className="flex flex-wrap gap-x-8 gap-y-2" aria-label={t('What the file does')}>
      {all.map(([words, count]) => (
        <div key={words} className="flex flex-col-reverse">
          <dt className="text-sm text-soft">{words}</dt>
          <dd className="text-2xl font-semibold tabular-nums">{count}</dd>
        </div>
      ))}
    </dl>
  )
}

function Lines({ lines, of }: { lines: readonly LineShown[]; of: number }) {
  const { t } = useTexts()
  return (
    <>
      <ol className="text-sm max-h-[55dvh] overflow-auto" tabIndex={0} aria-label={t('Lines')}>
        {lines.map((line) => (
          <Line key={line.line} line={line} />
        ))}
      </ol>
      {of > lines.length && <p className="text-sm text-soft mt-1">{t('… and {{n}} more', { n: of - lines.length })}</p>}
    </>
  )
}

const shown = (what: string, value: string): string => (what === 'startedOn' && value ? dayAndYearOf(value) : value)

function Line({ line: { line, name, outcome, changes, faults } }: { line: LineShown }) {
  const { t } = useTexts()
  const kinds = useGroupKinds().data ?? []
  const words = { added: t('new'), changed: t('changed'), returned: t('returned'), same: t('as before'), wrong: t('wrong') }[outcome]
  return (
    <li className="grid grid-cols-[4.5rem_minmax(0,1fr)] md:grid-cols-[4.5rem_minmax(0,1.2fr)_5rem_minmax(0,3fr)] gap-x-3 py-1.5 border-b border-hair">
      <span className="text-soft">{t('Line {{n}}', { n: line })}</span>
      <span className="font-semibold [overflow-wrap:anywhere]" dir="auto">
        {name || '–'}
      </span>
      <span className="max-md:col-start-2 text-soft">{words}</span>
      <span className="max-md:col-start-2 min-w-0 [overflow-wrap:anywhere]">
        {faults.map((fault, n) => (
          <span key={n} className="block text-brick">
            {t(fault.words, fault.put ?? {})}
          </span>
        ))}
        {outcome === 'added'
          ? changes
              .filter(({ what }) => what !== 'name')
              .map(({ what, to }) => shown(what, to))
              .join(' · ')
          : changes.map(({ what, from, to }) => (
              <span key={what} className="block">
                <span className="text-soft">{columnWords(what, kinds, t)}: </span>
                {from ? <del>{shown(what, from)}</del> : null} {shown(what, to) || t('nothing')}
              </span>
            ))}
      </span>
    </li>
  )
}
