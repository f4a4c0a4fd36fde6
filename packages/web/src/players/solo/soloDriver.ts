import type { SoloAct, SoloAttempt } from '@jackdaw/contracts/players'
import type { PictureId } from '@jackdaw/core/shared'

/** An attempt in Solo as its screen needs it: judged by the server, or in the browser of an author who tries it. */
export type SoloDriver = {
  attempt: SoloAttempt
  busy: boolean
  /** Why the last act did not reach whoever judges. */
  trouble: string
  does: (act: SoloAct) => void
  giveUp: () => void
  /** Address of a picture. */
  source: (id: PictureId) => string
  preview: boolean
  again: () => void
}
