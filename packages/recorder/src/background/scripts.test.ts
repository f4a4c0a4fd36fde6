import { beforeEach, describe, expect, it } from 'vitest'
import { LEAVE } from '../shared/leave'
import { intoPages, outOfPages } from './scripts'

/** A browser that keeps what it is told about scripts and leave. */
function fakeBrowser() {
  const state = { leave: true, scripts: [] as { id: string; persistAcrossSessions?: boolean }[], into: [] as number[], listeners: 0 }
  const chrome = {
    permissions: {
      contains: async () => state.leave,
      remove: async (what: unknown) => {
        expect(what).toEqual(LEAVE)
        state.leave = false
        return true
      },
    },
    webNavigation: { onCommitted: { addListener: () => state.listeners++ } },
    scripting: {
      getRegisteredContentScripts: async () => state.scripts,
      registerContentScripts: async (scripts: { id: string }[]) => void state.scripts.push(...scripts),
      unregisterContentScripts: async () => void (state.scripts = []),
      executeScript: async ({ target }: { target: { tabId: number } }) => {
        if (target.tabId === 3) throw new Error('The extensions gallery cannot be scripted.')
        state.into.push(target.tabId)
      },
    },
    tabs: {
      query: async () => [
        { id: 1, url: 'https://book.example/orders' },
        { id: 2, url: 'https://jackdaw.example/library' },
        { id: 3, url: 'https://shop.example/' },
        { id: 4, url: 'chrome://settings' },
        { id: 5 },
      ],
    },
  }
  Object.assign(globalThis, { chrome })
  return state
}

describe('the leave to look at pages', () => {
  let state: ReturnType<typeof fakeBrowser>
  beforeEach(() => {
    state = fakeBrowser()
  })
  it('puts the script into open pages but not into Jackdaw’s own, and not beyond this session', async () => {
    await intoPages('https://jackdaw.example')
    expect(state.into).toEqual([1])
    expect(state.scripts).toMatchObject([{ id: 'content', persistAcrossSessions: false }])
    await intoPages('https://jackdaw.example')
    expect(state.scripts).toHaveLength(1)
    expect(state.listeners).toBe(1)
  })
  it('is given back when a recording ends, and no script stays', async () => {
    await intoPages('https://jackdaw.example')
    expect(await outOfPages()).toBe(true)
    expect(state).toMatchObject({ leave: false, scripts: [] })
  })
})
