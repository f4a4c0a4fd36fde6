import {
  canFinish,
  type Play,
  type Played,
  type PlayerEffect,
  type PlayerEvent,
  type PlayerState,
  reduce,
  type UsageEvent,
} from '@jackdaw/core/players'
import { END, indexOf } from '@jackdaw/core/flow'
import type { ItemRef } from '@jackdaw/core/items'
import { useCallback, useEffect, useRef, useState, type RefObject } from 'react'
import { v7 as uuidV7 } from 'uuid'
import { useStepTime } from '../events'
import { useTeller } from './readBy'

/** What is done, without the time. */
export type Doing = PlayerEvent extends infer E ? (E extends PlayerEvent ? Omit<E, 'at'> : never) : never

type Told = UsageEvent extends infer E
  ? E extends UsageEvent
    ? Omit<E, 'id' | 'item' | 'edition' | 'occurredAt' | 'way' | 'visit'>
    : never
  : never

/** What an effect tells the record; `null` where it tells nothing. */
function toldBy(effect: PlayerEffect): Told | null {
  if (effect.do !== 'tell') return null
  if (effect.verb === 'finished') return { verb: 'finished' }
  const part = effect.stepId
  return effect.verb === 'step-done' ? { verb: 'step-done', part, tries: effect.tries, help: effect.help } : { verb: effect.verb, part }
}

type Options = {
  way: UsageEvent['way']
  /** Of what the record is told; `null`: nothing is told. */
  about: { item: ItemRef; edition: number } | null
  /** Which time of reading, watching or practising it is. */
  playId: RefObject<string>
  /** It begins now, and does not go on from before. */
  begins: boolean
  /** It is finished by coming to its end. */
  endsByItself: boolean
  onState?: (state: PlayerState) => void
  onLeave?: () => void
}
/** A player that runs: its state, what is done, and how another beginning is put in its place. */
export type Running = { state: PlayerState; act: (doing: Doing) => void; restart: (played: Played) => void }

/** Runs a player in any way whose events the browser tells: what is done leads from state to state, and the record hears of it. */
export function usePlayer(play: Play, first: Played, options: Options): Running {
  const [state, setState] = useState(first.state)
  const current = useRef(state)
  const teller = useTeller()
  const latest = useRef({ ...options, teller })
  latest.current = { ...options, teller }
  const tell = useCallback((told: Told) => {
    const { way, about, playId, teller } = latest.current
    if (about === null) return
    const event = { ...told, ...about, id: uuidV7(), way, occurredAt: Date.now(), visit: playId.current }
    void teller.record(event as UsageEvent)
    if (told.verb === 'finished') void teller.flush()
  }, [])
  const carryOut = useCallback(
    (effects: readonly PlayerEffect[]) => {
      for (const effect of effects) {
        if (effect.do === 'leave') latest.current.onLeave?.()
        const told = toldBy(effect)
        if (told) tell(told)
      }
    },
    [tell],
  )
  const begun = useRef(false)
  useEffect(() => {
    if (begun.current) return
    begun.current = true
    if (latest.current.begins) tell({ verb: 'opened' })
    carryOut(first.effects)
  }, [tell, carryOut, first])

  const put = useCallback(
    (next: Played) => {
      current.current = next.state
      setState(next.state)
      carryOut(next.effects)
      latest.current.onState?.(next.state)
    },
    [carryOut],
  )
  const act = useCallback(
    (doing: Doing) => {
      const next = reduce(current.current, { ...doing, at: Date.now() }, play)
      if (next.state === current.current && next.effects.length === 0) return
      put(next)
      const ended = current.current
      if (latest.current.endsByItself && ended.at === END && !ended.finished && canFinish(play, ended))
        put(reduce(ended, { type: 'finish', at: Date.now() }, play))
    },
    [play, put],
  )
  const restart = useCallback(
    (played: Played) => {
      tell({ verb: 'opened' })
      put(played)
    },
    [tell, put],
  )
  const report = useCallback((part: string, activeMs: number) => tell({ verb: 'time-spent', part, activeMs }), [tell])
  // Time is counted for steps alone.
  const atStep = play.script.steps[indexOf(play.script, state.at)]?.quiz === null
  useStepTime(!atStep || options.about === null ? null : state.at, report)
  return { state, act, restart }
}
