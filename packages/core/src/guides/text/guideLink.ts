import type { GuideId, StepId } from '../../shared'

const OWN = /^\/guides\/([A-Za-z0-9_-]{21})(?:\?step=([A-Za-z0-9_-]{21}))?$/

/** Where a link within a text leads: a guide, or a step of one. */
export type GuideLink = { guideId: GuideId; stepId: StepId | null }

/** The address by which a text leads to another guide, or to a step of it; without a host, so that it holds wherever Jackdaw is found. */
export const guideLink = ({ guideId, stepId }: GuideLink): string => `/guides/${guideId}${stepId === null ? '' : `?step=${stepId}`}`

/** Where such an address leads.
 * @returns `null` for an address of any other form */
export function readGuideLink(href: string): GuideLink | null {
  const [, guideId, stepId] = OWN.exec(href) ?? []
  return guideId === undefined ? null : { guideId: guideId as GuideId, stepId: (stepId as StepId | undefined) ?? null }
}
