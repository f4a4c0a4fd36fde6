import { addStage, PLAN_LIMITS } from '@jackdaw/core/plans'
import type { PlanId, StageId } from '@jackdaw/core/shared'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { Button, ButtonLink, Failed, Loaded, Message, showToast, TitleLine } from '../ui'
import { useKeys } from '../ui/keys/useKeys'
import { useIds } from '../ui/search/useIds'
import { useTexts } from '../ui/words/texts'
import { useArchivePlan, usePlan, usePublishPlan } from './queries'
import { PublishPlan } from './PublishPlan'
import { SelectedFields } from './SelectedFields'
import { SimulationPanel } from './SimulationPanel'
import type { Selected } from './selected'
import { TimeLine } from './TimeLine'
import { usePlanDraft, type PlanDraft } from './usePlanDraft'

/** A plan as it is written: its time line, what is selected of it, and trying it out. */
export function PlanPage() {
  const { id } = useIds<{ id: PlanId }>()
  return <Loaded query={usePlan(id)}>{(plan) => <Plan key={`${plan.id} ${plan.archived}`} plan={plan} />}</Loaded>
}

function Plan({ plan }: { plan: PlanDraft }) {
  const { t } = useTexts()
  const writing = usePlanDraft(plan)
  const { document, change, undo, canUndo, fault, save } = writing
  const [selected, setSelected] = useState<Selected>(null)
  useKeys({ undo })
  return (
    <>
      <title>{`${plan.document.title} – ${t('Plans')} – Jackdaw`}</title>
      <Head {...{ plan, writing }} />
      <div className="grow grid lg:grid-cols-[minmax(0,1fr)_320px] border-t border-hair">
        <div className="bg-sheet min-w-0">
          {fault !== null && <Message tone="bad" title={t(fault)} />}
          {save.isError && <Failed error={save.error} />}
          <TimeLine {...{ document, selected }} known={writing.known} onSelect={setSelected} onChange={change} />
          <div className="px-4 md:px-6 py-3 flex flex-wrap gap-2">
            <Button
              disabled={document.stages.length >= PLAN_LIMITS.stages}
              onClick={() => {
                const id = nanoid<StageId>()
                change(addStage(document, id, t('Stage {{n}}', { n: document.stages.length + 1 })))
                setSelected({ stage: id })
              }}
            >
              {t('Add a stage')}
            </Button>
            <Button look="quiet" disabled={!canUndo} onClick={undo}>
              {t('Undo')}
            </Button>
          </div>
        </div>
        <aside className="px-4 py-4 border-l border-hair space-y-7 min-w-0">
          {selected !== null && (
            <Button look="quiet" onClick={() => setSelected(null)}>
              {t('Back to the whole plan')}
            </Button>
          )}
          <SelectedFields {...{ writing, selected }} onSelect={setSelected} />
          <SimulationPanel document={document} whole={fault === null} />
        </aside>
      </div>
    </>
  )
}

/** Where one is, how the plan stands, and what can be done with it. */
function Head({ plan, writing: { document, keep, save, unsaved, fault } }: { plan: PlanDraft; writing: ReturnType<typeof usePlanDraft> }) {
  const { t } = useTexts()
  const go = useNavigate()
  const publish = usePublishPlan(plan.id)
  const archive = useArchivePlan(plan.id)
  const changed = plan.changed || unsaved
  const state =
    plan.edition === null
      ? t('Draft: nobody goes through it yet')
      : changed
        ? t('Edition {{n}}, changed since', { n: plan.edition })
        : t('Edition {{n}}', { n: plan.edition })
  const [asked, setAsked] = useState(false)
  const send = async (forAll: boolean) => {
    const revision = await keep()
    if (revision === null) return
    const { edition } = await publish.mutateAsync({ revision, forAll })
    setAsked(false)
    showToast(t('Edition {{n}} is published', { n: edition }))
    if (plan.edition === null) void go(`/plans/${plan.id}/give`)
  }
  const busy = publish.isPending || save.isPending
  return (
    <>
      <TitleLine
        where={{ to: '/plans', name: t('Plans') }}
        title={document.title || t('A plan without a title')}
        state={plan.archived ? t('In the archive') : state}
      >
        {plan.people > 0 && <ButtonLink to={`/plans/${plan.id}/people`}>{t('{{count}} people in it', { count: plan.people })}</ButtonLink>}
        <Button disabled={archive.isPending} onClick={() => archive.mutate(!plan.archived)}>
          {plan.archived ? t('Take it out of the archive') : t('Archive it')}
        </Button>
        <Button
          disabled={busy || !unsaved || fault !== null}
          onClick={() =>
            void keep().then(
              () => showToast(t('Saved')),
              () => undefined, // What is wrong stands on the page.
            )
          }
        >
          {save.isPending ? t('Saving …') : t('Save')}
        </Button>
        {!plan.archived && changed && (
          <Button
            look="primary"
            disabled={busy || fault !== null}
            onClick={() => (plan.people > 0 ? setAsked(true) : void send(false).catch(() => undefined /* It stands on the page. */))}
          >
            {publish.isPending ? t('Publishing …') : t('Publish')}
          </Button>
        )}
        {!plan.archived && !changed && (
          <ButtonLink look="primary" to={`/plans/${plan.id}/give`}>
            {t('Give it to people')}
          </ButtonLink>
        )}
      </TitleLine>
      {asked && (
        <PublishPlan
          {...{ document, id: plan.id, edition: plan.edition ?? 0, send: publish }}
          onYes={(forAll) => void send(forAll).catch(() => undefined /* It stands in the dialog. */)}
          onClose={() => setAsked(false)}
        />
      )}
      {publish.isError && !asked && <Failed error={publish.error} />}
      {archive.isError && <Failed error={archive.error} />}
    </>
  )
}
