import { applyBlackouts, askBlackoutReach, findPrivateInPicture, type BlackoutPlace, type FoundPrivate } from '@jackdaw/contracts/blackouts'
import { getChangesSince } from '@jackdaw/contracts/guides'
import { stepsOf, storedPicturesOf, type GuideDocument } from '@jackdaw/core/guides'
import type { GuideId, PictureId } from '@jackdaw/core/shared'
import { useMutation, useQuery } from '@tanstack/react-query'
import { call } from '../../api'
import type { DraftSession } from '../saving/draftSession'

/** The blackouts of a guide that are drawn and not applied. */
export const pendingBlackouts = (document: GuideDocument): BlackoutPlace[] =>
  stepsOf(document).flatMap((step) =>
    step.pictures.flatMap((picture) => {
      const annotationIds = (picture.annotations ?? []).flatMap((each) => (each.kind === 'blackout' ? [each.id] : []))
      return annotationIds.length > 0 ? [{ stepId: step.id, pictureId: picture.id, annotationIds }] : []
    }),
  )

/** What looks private in a stored picture. */
export const usePrivateIn = (id: GuideId, pictureId: PictureId, wanted = true) =>
  useQuery({
    queryKey: ['private', id, pictureId],
    enabled: wanted,
    queryFn: ({ signal }) => call(findPrivateInPicture, { params: { id, pictureId }, signal }),
    staleTime: 60_000,
  })

export type FoundIn = { stepId: string; number: number; pictureId: PictureId; found: FoundPrivate[] }
/** What looks private in all pictures of a guide. */
export const usePrivateInGuide = (id: GuideId, document: GuideDocument) =>
  useQuery({
    queryKey: ['private', id, 'all'],
    staleTime: 0,
    queryFn: async ({ signal }): Promise<FoundIn[]> => {
      const all: FoundIn[] = []
      for (const [n, step] of stepsOf(document).entries())
        for (const picture of step.pictures) {
          if (picture.sheet) continue
          const [pictureId] = storedPicturesOf(picture)
          const { found } = await call(findPrivateInPicture, { params: { id, pictureId: pictureId! }, signal })
          if (found.length > 0) all.push({ stepId: step.id, number: n + 1, pictureId: picture.id, found })
        }
      return all
    },
  })

const WAIT_MS = 150
const LONGEST_MS = 15_000

/** Waits until the server has everything that was drawn. */
async function saved(session: DraftSession): Promise<void> {
  for (let waited = 0; waited < LONGEST_MS; waited += WAIT_MS) {
    session.flush()
    if (session.idle && session.snapshot().save === 'saved') return
    await new Promise((resolve) => setTimeout(resolve, WAIT_MS))
  }
  throw new Error('The guide could not be saved first. Nothing was destroyed; try again once it says that everything is saved.')
}

export const useBlackoutReach = (id: GuideId, session: DraftSession, places: readonly BlackoutPlace[]) =>
  useQuery({
    queryKey: ['blackout-reach', id, places],
    staleTime: 0,
    gcTime: 0,
    retry: false,
    queryFn: async ({ signal }) => {
      await saved(session)
      return call(askBlackoutReach, { params: { id }, body: { places: [...places] }, signal })
    },
  })

/** Applies blackouts, and takes in how the draft is afterwards. There is no way back. */
export const useApplyBlackouts = (id: GuideId, session: DraftSession, onDone: () => void) =>
  useMutation({
    mutationFn: async (places: readonly BlackoutPlace[]) => {
      await saved(session)
      const done = await call(applyBlackouts, { params: { id }, body: { places: [...places] } })
      const since = await call(getChangesSince, { params: { id }, query: { since: session.snapshot().revision } })
      session.receive(since.revision, since.saved)
      return done.reach
    },
    onSuccess: onDone,
  })
