import { setFavourite } from '@jackdaw/contracts/items'
import type { ItemId } from '@jackdaw/core/items'
import { useMutation } from '@tanstack/react-query'
import { Star } from 'lucide-react'
import { useState } from 'react'
import { call, queryClient } from '../api'
import { IconButton, showToast } from '../ui'
import { useTexts } from '../ui/words/texts'

/** Whether an item is one's favourite, and how that is changed: at once, and back where it could not be kept. */
export function useFavourite(id: ItemId, stored: boolean) {
  const { t } = useTexts()
  const [favourite, set] = useState(stored)
  const send = useMutation({
    mutationFn: (next: boolean) => call(setFavourite, { params: { id }, body: { favourite: next } }),
    onMutate: set,
    onSuccess: (_, next) => {
      showToast(next ? t('It stands among your favourites on Today') : t('It is no favourite any more'))
      void queryClient.invalidateQueries({ queryKey: ['today'] })
    },
    onError: (_, next) => {
      set(!next)
      showToast(t('It could not be kept. Try again when you are connected.'))
    },
  })
  return { favourite, toggle: () => !send.isPending && send.mutate(!favourite) }
}

/** The mark of a favourite, as a button. */
export function FavouriteMark({ favourite, toggle, className = '' }: { favourite: boolean; toggle: () => void; className?: string }) {
  const { t } = useTexts()
  return (
    <IconButton name={t('Favourite')} aria-pressed={favourite} aria-keyshortcuts="f" className={`shrink-0 ${className}`} onClick={toggle}>
      <Star size={20} aria-hidden fill={favourite ? 'currentColor' : 'none'} />
    </IconButton>
  )
}
