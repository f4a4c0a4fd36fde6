import type { GuideItem, Section } from '@jackdaw/core/guides'

/** What stands on the page: something that is open, a heading, or a run of what is closed. `n`: the number of a step. */
export type OnPage =
  | { is: 'heading'; section: Section }
  | { is: 'open'; item: Exclude<GuideItem, Section>; n: number }
  | { is: 'closed'; key: string; from: number; to: number; steps: number }

/** The items of a guide as they stand on the page: what is closed comes in runs, without the headings in between. */
export function closedRuns(items: readonly GuideItem[], open: ReadonlySet<string>): OnPage[] {
  const page: OnPage[] = []
  let n = 0
  let headings: Section[] = []
  for (const item of items) {
    if (item.kind === 'section') {
      headings.push(item)
      continue
    }
    if (item.kind === 'step') n++
    if (open.has(item.id)) {
      page.push(...headings.map((section): OnPage => ({ is: 'heading', section })), { is: 'open', item, n })
      headings = []
      continue
    }
    const step = item.kind === 'step' ? 1 : 0
    const last = page.at(-1)
    if (last?.is === 'closed') Object.assign(last, { to: n, steps: last.steps + step })
    else page.push({ is: 'closed', key: item.id, from: n, to: n, steps: step })
    headings = []
  }
  return page
}
