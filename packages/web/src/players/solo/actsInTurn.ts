import type { SoloAct, SoloAttempt } from '@jackdaw/contracts/players'

/** More than this wait for no judgement: somebody presses without looking. */
const MOST_WAITING = 4

type At = Pick<SoloAttempt, 'said'> & { screen: { position: number } | null }
/** Acts that wait until the one before them has been judged. `running`: one is being judged. */
export type SoloWaiting = {
  running: boolean
  add: (act: SoloAct, at: At) => void
  /** The next one that is still meant where the attempt is now. */
  next: (at: At) => SoloAct | undefined
  clear: () => void
}

const same = (a: SoloAct | undefined, b: SoloAct): boolean => JSON.stringify(a) === JSON.stringify(b)

/** Keeps what somebody does quickly at a step in its order: three elements pressed one after the other are three acts, however slow the
 * network. An act belongs to the step at which it was done, and the same one twice running is one. */
export function actsInTurn(): SoloWaiting {
  let list: { act: SoloAct; position: number | undefined }[] = []
  let judged: { act: SoloAct; position: number | undefined } | undefined
  return {
    running: false,
    add(act, at) {
      const position = at.screen?.position
      const before = list.at(-1) ?? (this.running ? judged : undefined)
      if (list.length < MOST_WAITING && !(before?.position === position && same(before?.act, act))) list.push({ act, position })
    },
    next(at) {
      for (;;) {
        const one = list.shift()
        judged = one
        if (!one) return undefined
        if (one.position !== at.screen?.position) continue
        // The second of two clicks counts only where the first was right so far: else one mistake would be two.
        const { act } = one
        if (act.type === 'act' && act.act.do === 'click' && act.act.how === 'double' && at.said?.is !== 'part') continue
        return act
      }
    },
    clear() {
      list = []
    },
  }
}
