import { getLook } from '@jackdaw/contracts/look'
import { lookOf, PLAIN_LOOK, type GuideLook, type Look } from '@jackdaw/core/guides'
import { useQuery } from '@tanstack/react-query'
import { useMemo } from 'react'
import { reading } from '../api'

export const LOOK_KEY = ['look'] as const
/** How the company's guides look. */
export const useCompanyLook = () => useQuery({ queryKey: LOOK_KEY, ...reading(getLook, {}), staleTime: 300_000 })

/** How a guide looks: as the company's do, with what it overrules. */
export function useLook(guide: GuideLook): Look {
  const company = useCompanyLook().data ?? PLAIN_LOOK
  return useMemo(() => lookOf(company, guide), [company, guide])
}
