import { expect, it, vi } from 'vitest'
import type { ToldAction } from '../shared/messages'
import { keep, PENDING } from './link'

it('tells an action until it is kept, and writes it down first', async () => {
  vi.useFakeTimers()
  const stored = new Map<string, unknown>()
  const heard: string[] = []
  const answers = [
    () => Promise.reject(new Error('Could not establish connection. Receiving end does not exist.')),
    () => Promise.resolve(undefined),
    () => Promise.resolve({ kept: true }),
  ]
  Object.assign(globalThis, {
    chrome: {
      runtime: {
        id: 'here',
        sendMessage: (message: { say: string }) => {
          heard.push(`${message.say}, written: ${stored.size}`)
          return answers.shift()!()
        },
      },
      storage: {
        local: {
          set: async (values: object) => void Object.entries(values).forEach(([key, value]) => stored.set(key, value)),
          remove: async (key: string) => void stored.delete(key),
        },
      },
    },
  })
  const kept = keep({ id: 'one' } as unknown as ToldAction)
  await vi.advanceTimersByTimeAsync(700)
  expect([...stored.keys()]).toEqual([`${PENDING}one`])
  await vi.advanceTimersByTimeAsync(1_500)
  await kept
  expect(heard).toEqual(['action, written: 1', 'action, written: 1', 'action, written: 1'])
  expect(stored.size).toBe(0)
  vi.useRealTimers()
})
