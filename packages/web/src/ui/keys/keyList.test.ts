import { expect, it } from 'vitest'
import { KEY_LIST, keysShown, type KeyName } from './keyList'

it('writes keys as they stand on the keyboard', () => {
  expect(keysShown('$mod+Shift+z')).toEqual(['Ctrl', 'Shift', 'Z'])
  expect(keysShown('Shift+?')).toEqual(['?'])
  expect(keysShown('ArrowRight')).toEqual(['→'])
})
it('has no two things for one key in one place', () => {
  const heard = (Object.keys(KEY_LIST) as KeyName[]).flatMap((name) => KEY_LIST[name].keys.map((keys) => `${KEY_LIST[name].place} ${keys}`))
  expect(new Set(heard).size).toBe(heard.length)
})
