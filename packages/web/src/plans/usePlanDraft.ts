import type { ItemFacts } from '@jackdaw/contracts/items'
import type { getPlan } from '@jackdaw/contracts/plans'
import type { ResponseOf } from '@jackdaw/contracts/endpoint'
import { itemKey } from '@jackdaw/core/items'
import { PlanDocument } from '@jackdaw/core/plans'
import { useState } from 'react'
import { queryClient } from '../api'
import { useWarnUnsaved } from '../ui/useWarnUnsaved'
import { useSavePlan } from './queries'

export type PlanDraft = ResponseOf<typeof getPlan>
const MOST_BACK = 100

/** A plan while it is written: every change can be taken back, and it is saved when that is asked for. `known`: what is to be known of its items, by their keys. */
export function usePlanDraft(draft: PlanDraft) {
  const [document, setDocument] = useState(draft.document)
  const [back, setBack] = useState<readonly PlanDocument[]>([])
  const [saved, setSaved] = useState({ revision: draft.revision, document: draft.document })
  const [known, setKnown] = useState<ReadonlyMap<string, ItemFacts>>(() => new Map(draft.items.map((each) => [itemKey(each.item), each])))
  const save = useSavePlan(draft.id)
  const unsaved = document !== saved.document
  useWarnUnsaved(unsaved)
  const change = (next: PlanDocument) => {
    if (next === document) return
    setBack([...back.slice(-MOST_BACK), document])
    setDocument(next)
  }
  const undo = (): boolean => {
    const last = back.at(-1)
    if (!last) return false
    setBack(back.slice(0, -1))
    setDocument(last)
    return true
  }
  const fault = PlanDocument.safeParse(document).error?.issues[0]?.message ?? null
  /** Saves what is written where it is not saved. @returns its revision; `null` when something in it is wrong */
  const keep = async (): Promise<number | null> => {
    if (fault !== null) return null
    if (!unsaved) return saved.revision
    const { revision } = await save.mutateAsync({ revision: saved.revision, document })
    setSaved({ revision, document })
    void queryClient.invalidateQueries({ queryKey: ['plans'] })
    return revision
  }
  const learn = (facts: readonly ItemFacts[]) => setKnown(new Map([...known, ...facts.map((each) => [itemKey(each.item), each] as const)]))
  return { document, change, undo, canUndo: back.length > 0, known, learn, save, unsaved, keep, fault }
}
export type PlanWriting = ReturnType<typeof usePlanDraft>
