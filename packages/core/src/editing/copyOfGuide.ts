import { withPictures, type Condition, type Flow, type GuideDocument, type Step, type Target } from '../guides'
import type { NewId, PictureId, StepId } from '../shared'
import { copiesOf } from './manySteps'

type Ids = ReadonlyMap<string, string>
const target = (to: Target, ids: Ids): Target => (ids.get(to) as Target | undefined) ?? to
const condition = (when: Condition, ids: Ids): Condition =>
  when.of === 'value' ? { ...when, stepId: (ids.get(when.stepId) as StepId | undefined) ?? when.stepId } : when

const flowOf = (flow: Flow, ids: Ids): Flow => ({
  ...flow,
  ...(flow.choices ? { choices: flow.choices.map((choice) => ({ ...choice, to: target(choice.to, ids) })) } : {}),
  ...(flow.rules ? { rules: flow.rules.map((rule) => ({ ...rule, when: condition(rule.when, ids), to: target(rule.to, ids) })) } : {}),
  ...(flow.skipWhen ? { skipWhen: condition(flow.skipWhen, ids) } : {}),
})

/** A guide like another one, with steps and pictures of its own: wherever the one leads from step to step, so does the other.
 * @param pictures ids that the copy's own pictures have, by those of the first guide */
export function copyOfGuide(
  document: GuideDocument,
  title: string,
  pictures: Readonly<Record<string, PictureId>>,
  newId: NewId,
): GuideDocument {
  const copies = copiesOf(document.items, newId)
  const ids = new Map(document.items.map((item, n) => [item.id as string, copies[n]!.id as string]))
  const items = copies.map((item) =>
    item.kind === 'step' && item.flow ? ({ ...item, flow: flowOf(item.flow, ids) } satisfies Step) : item,
  )
  // A finding is silenced by its reason and the step it is about.
  const silenced = document.silenced.map((key) =>
    key.replace(/^([a-z-]+):([^:]+)/, (_, reason: string, id: string) => `${reason}:${ids.get(id) ?? id}`),
  )
  return { ...document, title, silenced, items: withPictures(items, (id) => pictures[id] ?? id) }
}
