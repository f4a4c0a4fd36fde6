import { fileHeader, fileLine, type RecordLine } from '@jackdaw/contracts/recordColumns'
import { ENTRIES } from '@jackdaw/core/inbox'
import { STATE_ORDER } from '@jackdaw/core/items'
import { describe, expect, it } from 'vitest'
import { german } from './german'
import { textsIn, withDaysWritten } from './index'

describe('what the server says itself', () => {
  it('is there in German: headings and words of files, and mails', () => {
    const asked = new Set<string>()
    const t = (key: string) => (asked.add(key), key)
    fileHeader(t)
    const line = { finishedEdition: 1, ways: {}, teams: [], roles: [], zone: 'UTC', activeMs: 0 }
    for (const state of STATE_ORDER)
      for (const yes of [true, false])
        fileLine(
          { ...line, state, assigned: yes, finishedAttested: yes, startedAt: null, lastAt: null, finishedAt: null } as never as RecordLine,
          t,
        )
    for (const { words, act } of Object.values(ENTRIES)) asked.add(words).add(act)
    expect([...asked].filter((key) => german[key] === undefined)).toEqual([])
  })
  it('counts, and writes days out, as the language does', () => {
    const into = { count: 1, missing: 2, due: '2026-11-03' }
    expect(textsIn('en')('It is a draft with {{count}} steps. Pictures that are missing: {{missing}}.', into)).toBe(
      'It is a draft with one step. Pictures that are missing: 2.',
    )
    expect(textsIn('de')('It is to be done by {{due}}.', withDaysWritten('de', into))).toBe(
      'Es ist bis Dienstag, 3. November zu erledigen.',
    )
  })
})
