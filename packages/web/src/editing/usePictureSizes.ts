import { getPictureSizes, type StoredPicture } from '@jackdaw/contracts/pictures'
import { stepsOf, storedPicturesOf, type GuideDocument, type PictureSizes } from '@jackdaw/core/guides'
import type { GuideId } from '@jackdaw/core/shared'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect } from 'react'
import { call } from '../api'

const NONE: PictureSizes = {}

/** Asks for the sizes of a guide's pictures. */
export const usePictureSizesQuery = (id: GuideId) =>
  useQuery({
    queryKey: ['picture-sizes', id],
    queryFn: ({ signal }) => call(getPictureSizes, { params: { id }, signal }),
    staleTime: Infinity,
  })

/** Sizes of a guide's pictures; asked for again when somebody else has added one. */
export function usePictureSizes(id: GuideId, document: GuideDocument): { sizes: PictureSizes; learn: (picture: StoredPicture) => void } {
  const client = useQueryClient()
  const query = usePictureSizesQuery(id)
  const sizes = query.data ?? NONE
  const missing = stepsOf(document).some((step) => step.pictures.some((picture) => storedPicturesOf(picture).some((each) => !sizes[each])))
  const { refetch, isFetched } = query
  useEffect(() => {
    if (missing && isFetched) void refetch()
  }, [missing, isFetched, refetch])
  const learn = useCallback(
    ({ id: picture, widthPx, heightPx }: StoredPicture) =>
      client.setQueryData<PictureSizes>(['picture-sizes', id], (now) => ({ ...now, [picture]: { widthPx, heightPx } })),
    [client, id],
  )
  return { sizes, learn }
}
