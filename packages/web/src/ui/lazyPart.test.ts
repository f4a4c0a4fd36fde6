import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { lazyPart } from './lazyPart'

const heard = new Map<string, () => void>()
beforeEach(() => {
  heard.clear()
  vi.useFakeTimers()
  vi.stubGlobal('window', {
    addEventListener: (name: string, listener: () => void) => heard.set(name, listener),
    removeEventListener: (name: string) => heard.delete(name),
  })
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
const Part = () => null
/** A part whose script fails to come so many times. */
const failing = (times: number) => vi.fn(() => (times-- > 0 ? Promise.reject(new TypeError('network')) : Promise.resolve(Part)))

describe('a part that is loaded when it is needed', () => {
  it('is loaded once, however often it is asked for', async () => {
    const load = failing(0)
    const part = lazyPart(load)
    await Promise.all([part.preload(), part.preload()])
    expect(load).toHaveBeenCalledTimes(1)
  })
  it('comes when the network is back, at once where the browser says so', async () => {
    const load = failing(1)
    const coming = lazyPart(load).preload()
    await vi.waitFor(() => expect(heard.has('online')).toBe(true))
    heard.get('online')!()
    await coming
    expect(load).toHaveBeenCalledTimes(2)
    expect(heard.size).toBe(0)
  })
  it('is tried again after a moment where nothing is said', async () => {
    const load = failing(3)
    let come = false
    void lazyPart(load)
      .preload()
      .then(() => (come = true))
    await vi.advanceTimersByTimeAsync(7_000)
    expect(come).toBe(false)
    await vi.advanceTimersByTimeAsync(6_000)
    expect(come).toBe(true)
  })
})
