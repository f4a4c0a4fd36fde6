import type { Caution } from './caution'

/** The cautions of a step that have to be acknowledged. */
export const toAcknowledge = (cautions: readonly Caution[] | undefined): Caution[] =>
  (cautions ?? []).filter((caution) => caution.acknowledge && caution.words.trim() !== '')
