import { itemKey, pathOfItem, type ItemRef } from '@jackdaw/core/items'
import {
  addCheckIn,
  CHECK_IN_LIMITS,
  checkInsOfPlan,
  findPart,
  moveStageBy,
  PLAN_LIMITS,
  placePart,
  removePart,
  removeStage,
  setItem,
  setStage,
  type PlanDocument,
  type Release,
  type Stage,
} from '@jackdaw/core/plans'
import type { PlannedCheckInId, QuestionId, StageId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { namedItem } from '../items'
import { Button, Check, chosen, NumberField, Radios, Select, TextArea, TextField, TextLink } from '../ui'
import { useTexts } from '../ui/words/texts'
import { AddItems } from './AddItems'
import { CheckInFields } from './checkIns/CheckInFields'
import type { Selected } from './selected'
import type { PlanWriting } from './usePlanDraft'

/** What can be said of what is selected; of the plan as a whole where nothing is. */
export function SelectedFields({
  writing,
  selected,
  onSelect,
}: {
  writing: PlanWriting
  selected: Selected
  onSelect: (selected: Selected) => void
}) {
  const { document } = writing
  if (selected !== null && 'stage' in selected) {
    const at = document.stages.findIndex(({ id }) => id === selected.stage)
    const stage = document.stages[at]
    if (stage) return <StageFields key={stage.id} {...{ writing, stage, at, onSelect }} />
  }
  if (selected !== null && 'item' in selected)
    return <ItemFields key={itemKey(selected.item)} {...{ writing, item: selected.item, onSelect }} />
  if (selected !== null && 'checkIn' in selected && findPart(document, selected))
    return <CheckInFields key={selected.checkIn} {...{ writing, id: selected.checkIn, onSelect }} />
  return <WholeFields writing={writing} />
}

function WholeFields({ writing: { document, change } }: { writing: PlanWriting }) {
  const { t } = useTexts()
  const set = (more: Partial<PlanDocument>) => change({ ...document, ...more })
  return (
    <section className="space-y-4">
      <h2 className="text-lg border-b-2 border-ink">{t('The plan')}</h2>
      <TextField
        label={t('Title')}
        maxLength={PLAN_LIMITS.title}
        value={document.title}
        error={document.title.trim() === '' ? t('Give it a title') : undefined}
        onChange={(event) => set({ title: event.target.value })}
      />
      <TextArea
        label={t('What it is for')}
        hint={t('Whoever goes through it reads this on Today.')}
        rows={3}
        maxLength={PLAN_LIMITS.about}
        value={document.about}
        onChange={(event) => set({ about: event.target.value })}
      />
      <Radios
        label={t('Days of stages are')}
        value={document.working ? 'working' : 'all'}
        onChange={(value) => set({ working: value === 'working' })}
        options={[
          { value: 'working', words: t('working days') },
          { value: 'all', words: t('all days'), hint: t('What falls on a day off is due on the next working day.') },
        ]}
      />
      <Check
        checked={document.dayLimitMin !== null}
        onChange={(event) => set({ dayLimitMin: event.target.checked ? 60 : null })}
        label={t('Warn when a day holds too much')}
      />
      {document.dayLimitMin !== null && (
        <NumberField
          label={t('Most minutes on a day')}
          whole
          min={5}
          max={PLAN_LIMITS.minutes}
          value={document.dayLimitMin}
          onChange={(dayLimitMin) => set({ dayLimitMin })}
        />
      )}
    </section>
  )
}

function StageFields({
  writing,
  stage,
  at,
  onSelect,
}: {
  writing: PlanWriting
  stage: Stage
  at: number
  onSelect: (selected: Selected) => void
}) {
  const { t } = useTexts()
  const { document, change } = writing
  const set = (more: Partial<Omit<Stage, 'id' | 'items'>>) => change(setStage(document, stage.id, more))
  return (
    <section className="space-y-4">
      <h2 className="text-lg border-b-2 border-ink">{t('Stage {{n}}', { n: at + 1 })}</h2>
      <TextField
        label={t('Name')}
        maxLength={PLAN_LIMITS.name}
        value={stage.name}
        error={stage.name.trim() === '' ? t('Give the stage a name') : undefined}
        onChange={(event) => set({ name: event.target.value })}
      />
      {at > 0 && <BeginsFields {...{ stage, set }} />}
      <TextField
        label={t('What belongs into it')}
        hint={t('A note for those who write the plan.')}
        maxLength={PLAN_LIMITS.note}
        value={stage.note ?? ''}
        onChange={(event) => set({ note: event.target.value })}
      />
      <AddItems writing={writing} stageId={stage.id} />
      <Button
        disabled={checkInsOfPlan(document).length >= CHECK_IN_LIMITS.inPlan}
        onClick={() => {
          const id = nanoid<PlannedCheckInId>()
          const questions = [{ id: nanoid<QuestionId>(), words: t('What goes well, and what does not?'), answer: 'words' as const }]
          change(addCheckIn(document, stage.id, { id, name: t('Check-in'), questions }))
          onSelect({ checkIn: id })
        }}
      >
        {t('Put a check-in on its last day')}
      </Button>
      <div className="flex flex-wrap gap-2">
        <Button disabled={at === 0} onClick={() => change(moveStageBy(document, stage.id, -1))}>
          {t('Earlier')}
        </Button>
        <Button disabled={at === document.stages.length - 1} onClick={() => change(moveStageBy(document, stage.id, 1))}>
          {t('Later')}
        </Button>
        <Button
          disabled={document.stages.length < 2}
          onClick={() => {
            onSelect(null)
            change(removeStage(document, stage.id))
          }}
        >
          {t('Take the stage out')}
        </Button>
      </div>
    </section>
  )
}

/** When a stage begins, and the free days before it. */
function BeginsFields({ stage, set }: { stage: Stage; set: (more: Partial<Omit<Stage, 'id' | 'items'>>) => void }) {
  const { t } = useTexts()
  return (
    <>
      <Radios<Release>
        label={t('It begins')}
        value={stage.release}
        onChange={(release) => set({ release })}
        options={[
          { value: 'both', words: t('when the time of the stage before is over and all of it is done') },
          { value: 'completion', words: t('when all of the stage before is done'), hint: t('Also earlier than planned.') },
          { value: 'date', words: t('when the time of the stage before is over'), hint: t('Whether it is done or not.') },
        ]}
      />
      <div className="flex gap-3 items-end">
        <NumberField
          label={t('Free days before it')}
          whole
          min={0}
          max={PLAN_LIMITS.free}
          value={stage.free.days}
          onChange={(days) => set({ free: { ...stage.free, days } })}
        />
        <Select
          label={t('Which are')}
          value={stage.free.working ? 'working' : 'all'}
          onChange={chosen<'working' | 'all'>((value) => set({ free: { ...stage.free, working: value === 'working' } }))}
        >
          <option value="working">{t('working days')}</option>
          <option value="all">{t('all days')}</option>
        </Select>
      </div>
    </>
  )
}

function ItemFields({ writing, item, onSelect }: { writing: PlanWriting; item: ItemRef; onSelect: (selected: Selected) => void }) {
  const { t } = useTexts()
  const { document, change, known } = writing
  const stage = document.stages.find(({ items }) => items.some((each) => itemKey(each.item) === itemKey(item)))
  const placed = stage?.items.find((each) => itemKey(each.item) === itemKey(item))
  const facts = known.get(itemKey(item))
  if (!stage || !placed) return <WholeFields writing={writing} />
  return (
    <section className="space-y-4">
      <h2 className="text-lg border-b-2 border-ink">{facts?.title ?? t('Something that is not there any more')}</h2>
      {facts && (
        <p className="text-sm text-soft">
          <TextLink to={pathOfItem(item)}>{namedItem(t, item, facts.number)}</TextLink> · {t('{{minutes}} min', { minutes: facts.minutes })}
          {!facts.usable && (
            <span className="block text-brick font-semibold">{t('It is in the archive, or not published: it is passed over.')}</span>
          )}
        </p>
      )}
      <NumberField
        label={t('To be done on day')}
        whole
        min={1}
        max={PLAN_LIMITS.days}
        value={placed.day}
        onChange={(day) => change(setItem(document, item, { day }))}
      />
      <Select
        label={t('In the stage')}
        value={stage.id}
        onChange={chosen<StageId>((id) => change(placePart(document, { item }, id, placed.day)))}
      >
        {document.stages.map(({ id, name }, n) => (
          <option key={id} value={id}>
            {n + 1}. {name}
          </option>
        ))}
      </Select>
      <Check
        checked={placed.optional}
        onChange={(event) => change(setItem(document, item, { optional: event.target.checked }))}
        label={t('Optional')}
        hint={t('It is at hand, and nothing waits for it.')}
      />
      <Button
        onClick={() => {
          onSelect(null)
          change(removePart(document, { item }))
        }}
      >
        {t('Take it out of the plan')}
      </Button>
    </section>
  )
}
