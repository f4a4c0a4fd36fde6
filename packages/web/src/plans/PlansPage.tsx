import type { PlanRow } from '@jackdaw/contracts/plans'
import { planFrom, STARTERS, type Starter } from '@jackdaw/core/plans'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import * as z from 'zod/mini'
import { PlanTabs } from '../items'
import { Button, ButtonLink, Loaded, Radios, Table, TextField, TextLink, TitleLine, useSearch, whenOf } from '../ui'
import { FormDialog } from '../ui/over/FormDialog'
import type { Column } from '../ui/table/columns'
import { useTexts, type Texts } from '../ui/words/texts'
import { useCreatePlan, usePlans } from './queries'

/** The plans of the company. */
export function PlansPage() {
  const { t } = useTexts()
  const { search } = useSearch({ archived: z.literal('yes') })
  const archived = search.archived === 'yes'
  const columns = useColumns()
  const [isNew, setNew] = useState(false)
  return (
    <>
      <title>{t('Plans – Jackdaw')}</title>
      <TitleLine
        title={archived ? t('Plans in the archive') : t('Plans')}
        state={t('What people go through over days or weeks, in stages with free days between them')}
      >
        <ButtonLink look="quiet" to={archived ? '/plans' : '/plans?archived=yes'}>
          {archived ? t('Back to the plans') : t('Archive')}
        </ButtonLink>
        <Button look="primary" onClick={() => setNew(true)}>
          {t('Make a plan …')}
        </Button>
      </TitleLine>
      <PlanTabs />
      <div className="bg-sheet grow px-4 md:px-6 py-3">
        <Loaded query={usePlans(archived)}>
          {(rows) => (
            <Table
              label={t('Plans')}
              {...{ rows, columns }}
              keyOf={(row) => row.id}
              empty={
                <p className="py-4">
                  {archived
                    ? t('Nothing is in the archive.')
                    : t('There is no plan yet. Make the first one: the first weeks of somebody new.')}
                </p>
              }
            />
          )}
        </Loaded>
      </div>
      {isNew && <NewPlan onClose={() => setNew(false)} />}
    </>
  )
}

/** Nothing to begin from but one stage. */
const blank = (t: Texts['t']): Omit<Starter, 'key' | 'title'> => ({
  ...{ about: '', working: true, dayLimitMin: 60 },
  stages: [{ name: t('First days'), note: '', release: 'both', free: 0 }],
})

/** Asks what a new plan is called, and from which it begins. */
function NewPlan({ onClose }: { onClose: () => void }) {
  const { t } = useTexts()
  const go = useNavigate()
  const create = useCreatePlan()
  const [title, setTitle] = useState('')
  const [asked, setAsked] = useState(false)
  const [from, setFrom] = useState('')
  return (
    <FormDialog
      title={t('Make a plan')}
      yes={t('Make it')}
      sending={t('Saving …')}
      send={create}
      onClose={onClose}
      onSubmit={(event) => {
        event.preventDefault()
        setAsked(true)
        if (title.trim() !== '')
          create.mutate(planFrom(STARTERS.find(({ key }) => key === from) ?? blank(t), title.trim(), nanoid), {
            onSuccess: ({ id }) => void go(`/plans/${id}`),
          })
      }}
    >
      <Radios
        label={t('Begin from')}
        value={from}
        onChange={(key) => {
          const before = STARTERS.find((each) => each.key === from)?.title ?? ''
          setFrom(key)
          // A title of one's own stays.
          if (title.trim() === before) setTitle(STARTERS.find((each) => each.key === key)?.title ?? '')
        }}
        options={[
          { value: '', words: t('An empty plan') },
          ...STARTERS.map((starter) => ({
            value: starter.key,
            words: starter.title,
            hint: starter.stages.map(({ name }) => name).join(' → '),
          })),
        ]}
      />
      <TextField
        label={t('Title')}
        maxLength={120}
        value={title}
        error={asked && title.trim() === '' ? t('Give it a title') : undefined}
        onChange={(event) => setTitle(event.target.value)}
      />
    </FormDialog>
  )
}

function useColumns(): Column<PlanRow>[] {
  const { t } = useTexts()
  const state = ({ edition, changed }: PlanRow) =>
    edition === null ? t('Draft') : changed ? t('Edition {{n}}, changed since', { n: edition }) : t('Edition {{n}}', { n: edition })
  return [
    {
      id: 'title',
      head: t('Plan'),
      className: 'min-w-52',
      cell: (row) => (
        <Link to={`/plans/${row.id}`} className="font-semibold text-base hover:underline">
          {row.title}
        </Link>
      ),
    },
    { id: 'state', head: t('State'), line: true, cell: state },
    { id: 'stages', head: t('Stages'), from: 'sm', cell: (row) => row.stages },
    { id: 'items', head: t('Items'), from: 'sm', cell: (row) => row.items },
    { id: 'days', head: t('Days'), from: 'sm', cell: (row) => row.days },
    {
      id: 'people',
      head: t('People in it'),
      cell: (row) =>
        row.underWay + row.over === 0 ? (
          '–'
        ) : (
          <TextLink to={`/plans/${row.id}/people`}>
            {t('{{underWay}} under way, {{over}} through', { underWay: row.underWay, over: row.over })}
          </TextLink>
        ),
    },
    { id: 'owner', head: t('Owner'), from: 'lg', line: true, cell: (row) => row.owner.name },
    { id: 'changed', head: t('Changed'), from: 'lg', line: true, cell: (row) => whenOf(row.changedAt) },
  ]
}
