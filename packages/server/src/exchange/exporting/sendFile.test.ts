import { describe, expect, it } from 'vitest'
import { fileName } from './sendFile'

describe('the name of a file that is saved', () => {
  it('holds nothing that a system takes for a path or a quotation', () => {
    expect(fileName('Rinse: 3/4 "hot"\n*', 'pdf')).toEqual({ plain: 'Rinse 3 4 hot.pdf', full: 'Rinse 3 4 hot.pdf' })
    expect(fileName(' ', 'pdf')).toEqual({ plain: 'guide.pdf', full: 'guide.pdf' })
  })
  it('is said in ASCII, too, whatever it is written in', () => {
    expect(fileName('Café', 'docx')).toEqual({ plain: 'Cafe.docx', full: 'Café.docx' })
    expect(fileName('温室', 'docx')).toEqual({ plain: 'guide.docx', full: '温室.docx' })
  })
  it('is cut between signs, never in the middle of one', () => {
    const { full } = fileName(`${'a'.repeat(119)}🌱🌱`, 'pdf')
    expect(full).toBe(`${'a'.repeat(119)}.pdf`)
    expect(() => encodeURIComponent(full)).not.toThrow()
  })
})
