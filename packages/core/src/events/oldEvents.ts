/** Brings an event of an older page, or one that was kept by it, to the form of today: it spoke of guides and steps.
 * @param told whatever came in; what is no such event is handed back as it is */
export function inTodaysForm(told: unknown): unknown {
  if (typeof told !== 'object' || told === null || !('guideId' in told)) return told
  const { guideId, stepId, playId, ...rest } = told as Record<string, unknown>
  return {
    ...rest,
    item: { kind: 'guide', id: guideId },
    ...(stepId === undefined ? {} : { part: stepId }),
    ...(playId === undefined ? {} : { visit: playId }),
  }
}
