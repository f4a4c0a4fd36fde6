import { getOrgChart, getOrgChartPdf } from '@jackdaw/contracts/directory'
import { PersonId } from '@jackdaw/core/shared'
import { useMutation, useQuery } from '@tanstack/react-query'
import { useEffect, useMemo, useRef, useState } from 'react'
import { call, callForFile, saveFile } from '../../api'
import { Button, Failed, Loaded, TitleLine, useSearch } from '../../ui'
import { boxClass } from '../../ui/fields/Frame'
import { Suggest } from '../../ui/fields/Suggest'
import { useTexts } from '../../ui/words/texts'
import { PeopleTabs } from '../PeopleTabs'
import { above, chartAsSvg, chartOf, findInChart, layoutChart, openAtFirst, type ChartRows } from '@jackdaw/core/orgChart'
import { ChartDrawing } from './ChartDrawing'
import { ChartList } from './ChartList'

const useOrgChart = () => useQuery({ queryKey: ['org-chart'], queryFn: ({ signal }) => call(getOrgChart, { signal }), staleTime: 60_000 })

/** Who reports to whom, as a drawing or as a nested list. */
export function OrgChartPage() {
  const { t } = useTexts()
  const { search, set } = useSearch({ at: PersonId })
  const chart = useOrgChart()
  return (
    <>
      <title>{t('Org chart – Jackdaw')}</title>
      <TitleLine title={t('Org chart')} state={t('Who reports to whom')} />
      <PeopleTabs />
      <Loaded query={chart}>
        {({ people, left }) =>
          people.length === 0 ? (
            <p className="p-6">{t('Nobody is here yet.')}</p>
          ) : (
            <Chart rows={people} left={left} at={search.at} onAt={(at) => set({ at }, true)} />
          )
        }
      </Loaded>
    </>
  )
}

const isNarrow = () => matchMedia('(max-width: 767px)').matches

function Chart({ rows, left, at, onAt }: { rows: ChartRows; left: number; at: PersonId | undefined; onAt: (at: PersonId) => void }) {
  const { t } = useTexts()
  const { tops, all } = useMemo(() => chartOf(rows), [rows])
  const [open, setOpen] = useState(() => {
    const person = at && all.get(at)
    return new Set([...openAtFirst(tops), ...(person ? [person, ...above(person)].map(({ id }) => id) : [])])
  })
  const [how, setHow] = useState<'drawing' | 'list'>('drawing')
  useEffect(() => {
    if (isNarrow()) setHow('list')
  }, [])
  const layout = useMemo(() => layoutChart(tops, open), [tops, open])
  const toggle = (id: PersonId) => {
    const next = new Set(open)
    if (!next.delete(id)) next.add(id)
    setOpen(next)
  }
  const goTo = (id: PersonId) => {
    const person = all.get(id)
    if (person) setOpen(new Set([...open, ...above(person).map((each) => each.id)]))
    onAt(id)
  }
  const shared = { open, at, onToggle: toggle, onAt }
  return (
    <div className="bg-sheet grow flex flex-col min-h-0">
      <div className="flex flex-wrap items-center gap-2 px-4 md:px-6 py-3 border-b border-hair">
        <FindInChart people={[...all.values()]} onPick={goTo} />
        <Button onClick={() => setOpen(new Set(all.keys()))}>{t('Open all')}</Button>
        <Button onClick={() => setOpen(new Set(tops.map(({ id }) => id)))}>{t('Fold all')}</Button>
        <Button aria-pressed={how === 'list'} onClick={() => setHow(how === 'list' ? 'drawing' : 'list')}>
          {how === 'list' ? t('As a drawing') : t('As a list')}
        </Button>
        <span className="grow" />
        <Button onClick={() => saveFile(new Blob([chartAsSvg(layout, t('Org chart'))], { type: 'image/svg+xml' }), 'org-chart.svg')}>
          {t('What is open as SVG')}
        </Button>
        <PdfButton open={open} />
      </div>
      {left > 0 && <p className="px-6 py-2 text-ochre">{t('{{n}} more people stand too far down to be shown here.', { n: left })}</p>}
      {how === 'list' ? <ChartList tops={tops} {...shared} /> : <ChartDrawing layout={layout} {...shared} />}
    </div>
  )
}

function PdfButton({ open }: { open: ReadonlySet<PersonId> }) {
  const { t } = useTexts()
  const save = useMutation({
    mutationFn: async () => saveFile(await callForFile(getOrgChartPdf, { body: { open: [...open] } }), 'org-chart.pdf'),
  })
  return (
    <>
      <Button disabled={save.isPending} onClick={() => save.mutate()}>
        {save.isPending ? t('Drawing …') : t('As PDF')}
      </Button>
      {save.isError && <Failed error={save.error} />}
    </>
  )
}

function FindInChart({ people, onPick }: { people: Parameters<typeof findInChart>[0]; onPick: (id: PersonId) => void }) {
  const { t } = useTexts()
  const [find, setFind] = useState('')
  const found = findInChart(people, find)
  const field = useRef<HTMLInputElement>(null)
  return (
    <div className="w-72 flex">
      <Suggest
        ref={field}
        label={t('Find somebody in the chart')}
        placeholder={t('Find somebody in the chart')}
        className={boxClass()}
        firstReady
        value={find}
        state={find.trim() === '' ? 'still' : 'answered'}
        suggestions={found.map(({ id, name, jobTitle }) => ({ id, words: name, about: jobTitle }))}
        onChange={setFind}
        onPick={(id) => {
          setFind('')
          onPick(id as PersonId)
        }}
      />
    </div>
  )
}
