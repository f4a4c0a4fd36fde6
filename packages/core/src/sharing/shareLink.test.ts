import { describe, expect, it } from 'vitest'
import { frameOrigin, linkStanding, UseNumber } from './shareLink'
import { isUseNumber, numberKey } from './useNumber'

describe('links for guests', () => {
  it('hold until they are revoked or their days are over', () => {
    expect(linkStanding({ revokedAt: null, expiresAt: null }, 5)).toBe('holds')
    expect(linkStanding({ revokedAt: null, expiresAt: 6 }, 5)).toBe('holds')
    expect(linkStanding({ revokedAt: null, expiresAt: 5 }, 5)).toBe('expired')
    expect(linkStanding({ revokedAt: 3, expiresAt: 5 }, 9)).toBe('revoked')
  })
  it('take numbers, and no names', () => {
    for (const number of ['LM-204', ' 17 ', 'KW 12/3', 'Ż4', '٣'])
      expect([number, UseNumber.safeParse(number).success, isUseNumber(number)]).toEqual([number, true, true])
    for (const number of ['Ada Finch', '', '  ', '4'.repeat(41), 'a1<b>', '7\n8', 'x@1.example'])
      expect([number, UseNumber.safeParse(number).success, isUseNumber(number)]).toEqual([number, false, false])
  })
  it('are found by a number however it was written', () => {
    expect(new Set(['LM-204', 'lm 204', 'Lm204', 'LM/204'].map(numberKey))).toEqual(new Set(['lm204']))
  })
})

describe('sites that may show a guide in a frame', () => {
  it('are named by their origin', () => {
    expect(frameOrigin(' https://Wiki.Larkmoor.example/start?a=1 ')).toBe('https://wiki.larkmoor.example')
    expect(frameOrigin('https://wiki.larkmoor.example:8443')).toBe('https://wiki.larkmoor.example:8443')
    expect(frameOrigin('http://localhost:3000/')).toBe('http://localhost:3000')
  })
  it('are nothing that stands for many, is not encrypted, or ends the list', () => {
    for (const text of [
      '*',
      'https://*.example',
      'http://wiki.example',
      'javascript:alert(1)',
      'data:text/html,x',
      'https://a@b.example',
      'wiki',
      '',
      'https://a.example; script-src *',
    ])
      expect([text, frameOrigin(text)]).toEqual([text, null])
  })
})
