import { describe, expect, it } from 'vitest'
import { SIGN_IDS } from '../../guides'
import { signKind, signParts } from './sign'

describe('safety signs', () => {
  it('are thirty and more, of every kind, each once', () => {
    expect(SIGN_IDS.length).toBeGreaterThanOrEqual(30)
    expect(new Set(SIGN_IDS).size).toBe(SIGN_IDS.length)
    expect(new Set(SIGN_IDS.map(signKind)).size).toBe(5)
  })
  it.each(SIGN_IDS.map((id) => [id]))('%s has the shape and the colours of its kind', (id) => {
    const parts = signParts(id)
    const colours = new Set(parts.flatMap((part) => [part.fill, part.stroke].filter(Boolean)))
    const [ground, ink] = {
      mandatory: ['#005387', '#ffffff'],
      warning: ['#f9a800', '#1a1a1a'],
      prohibition: ['#9b2423', '#ffffff'],
      'safe-condition': ['#237f52', '#ffffff'],
      'fire-equipment': ['#9b2423', '#ffffff'],
    }[signKind(id)] as [string, string]
    expect(colours).toContain(ground)
    expect(colours).toContain(ink)
    expect(parts.length).toBeGreaterThan(1)
    for (const { d } of parts) expect(d).toMatch(/^M[\d\s.,\-MLHVCSQTAZmlhvcsqtaz]+$/)
  })
})
