import { guideItem } from '@jackdaw/core/items'
import { getPlay, keepPlay, KeptPlay, type KeptWay } from '@jackdaw/contracts/players'
import { begin, resume, type Play, type PlayerState } from '@jackdaw/core/players'
import type { GuideId } from '@jackdaw/core/shared'
import { useQuery } from '@tanstack/react-query'
import { nanoid } from 'nanoid'
import { useCallback, useEffect, useRef, useState } from 'react'
import { useTexts } from '../ui/words/texts'
import { call } from '../api'
import type { UsedGuide } from './used'
import { usePlayer, type Doing } from './usePlayer'

const keyOf = (personId: string, guideId: string, way: KeptWay) => `jackdaw-play ${personId} ${guideId} ${way}`

/** What this browser itself remembers; `null` when there is nothing, or nothing that can be read. */
function remembered(key: string): KeptPlay | null {
  const text = localStorage.getItem(key)
  if (text === null) return null
  try {
    return KeptPlay.safeParse(JSON.parse(text)).data ?? null
  } catch {
    // Not JSON: something else wrote there. The server's memory counts.
    return null
  }
}
/** Remembers in this browser.
 * @returns whether it can */
function remember(key: string, play: KeptPlay): boolean {
  try {
    localStorage.setItem(key, JSON.stringify(play))
    return true
  } catch {
    // Full or forbidden: the caller says so.
    return false
  }
}

/** Where the person was, by the server and by this browser; whichever is newer counts. Without a connection, this browser alone. */
export function useKeptPlay(guideId: GuideId, way: KeptWay, personId: string) {
  return useQuery({
    queryKey: ['play', guideId, way],
    gcTime: 0,
    staleTime: Infinity,
    refetchOnWindowFocus: false,
    refetchOnReconnect: false,
    queryFn: async ({ signal }) => {
      const here = remembered(keyOf(personId, guideId, way))
      const there = await call(getPlay, { params: { id: guideId, way }, signal }).catch((error: unknown) => {
        if (here) return null
        throw error
      })
      if (!there) return { kept: here }
      return { kept: here && here.state.here.since > there.state.here.since ? here : there }
    },
  })
}

export type Playing = {
  play: Play
  state: PlayerState
  act: (doing: Doing) => void
  /** Whether the person goes on where they were. */
  resumed: boolean
  /** What has to be known about where the state is kept; empty when all is well. */
  notice: string
  again: () => void
}

/** Watching or practising: runs the player, tells the record, and keeps where the person is here and on the server.
 * @param kept where they were; `null` begins at the front
 * @param options.preview nothing is told or kept */
export function usePlay(
  guide: UsedGuide,
  way: KeptWay,
  play: Play,
  kept: KeptPlay | null,
  {
    personId,
    from,
    only = null,
    preview = false,
    onLeave,
  }: { personId: string; from?: string; only?: readonly string[] | null; preview?: boolean; onLeave: () => void },
): Playing {
  const { guideId, edition } = guide
  const [first] = useState(() => {
    const goesOn = kept !== null && !kept.state.finished && only === null && from === undefined
    const played = goesOn
      ? resume(kept.state, play, Date.now())
      : begin(way, play, Date.now(), { ...(from === undefined ? {} : { from }), only })
    return { ...played, playId: goesOn ? kept.playId : nanoid(), goesOn }
  })
  const playId = useRef(first.playId)
  const { keep, notice } = useKeeping(guideId, way, personId, preview || edition === null || only !== null)
  const { state, act, restart } = usePlayer(play, first, {
    way,
    about: preview || edition === null ? null : { item: guideItem(guideId), edition },
    playId,
    begins: !first.goesOn,
    endsByItself: true,
    onState: (next) => {
      if (edition !== null) keep({ playId: playId.current, edition, state: next })
    },
    onLeave,
  })
  const again = useCallback(() => {
    playId.current = nanoid()
    restart(begin(way, play, Date.now(), { only }))
  }, [restart, play, way, only])
  return { play, state, act, resumed: first.goesOn && first.state.seen.length > 1, notice, again }
}

const RETRY_MS = 3_000

/** Keeps where somebody is: at once in this browser, and on the server as soon as it can be reached. */
function useKeeping(guideId: GuideId, way: KeptWay, personId: string, off: boolean): { keep: (play: KeptPlay) => void; notice: string } {
  const { t } = useTexts()
  const [notice, setNotice] = useState('')
  const waiting = useRef<KeptPlay | null>(null)
  const here = useRef(true)
  const running = useRef(false)
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const send = useCallback(async (): Promise<void> => {
    if (running.current || !waiting.current) return
    running.current = true
    const play = waiting.current
    waiting.current = null
    try {
      await call(keepPlay, { params: { id: guideId, way }, body: play, keepalive: true })
      setNotice('')
    } catch {
      // Tried again until the server takes it; until then this browser remembers.
      waiting.current ??= play
      setNotice(
        here.current
          ? t('No connection. You can go on; where you are is kept on this device and sent later.')
          : t('No connection, and this browser cannot remember where you are. Keep this page open.'),
      )
      timer.current = setTimeout(() => void send(), RETRY_MS)
    }
    running.current = false
    if (waiting.current && waiting.current !== play) void send()
  }, [guideId, way, t])
  useEffect(() => {
    // What waits behind a request is sent before the page goes; where it does not come through, this browser remembers.
    const leaves = () => {
      if (running.current && waiting.current)
        call(keepPlay, { params: { id: guideId, way }, body: waiting.current, keepalive: true }).catch(() => undefined)
    }
    window.addEventListener('pagehide', leaves)
    return () => {
      window.removeEventListener('pagehide', leaves)
      clearTimeout(timer.current)
    }
  }, [guideId, way])
  const keep = useCallback(
    (play: KeptPlay) => {
      if (off) return
      here.current = remember(keyOf(personId, guideId, way), play)
      waiting.current = play
      void send()
    },
    [off, personId, guideId, way, send],
  )
  return { keep, notice }
}
