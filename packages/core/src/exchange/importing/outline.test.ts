import { expect, it } from 'vitest'
import { plainText } from '../../guides'
import { seededIds } from '../../shared'
import { outlineItems } from './outline'

const outline = (text: string) =>
  outlineItems(text, seededIds(3)).map((item) =>
    item.kind === 'section' ? `# ${item.title}` : item.kind === 'step' ? plainText(item.body) : '',
  )

it('makes a step of each line that stands by itself, without its number', () => {
  expect(outline('1. Open the valve\n2) Wait\n\nStep 3: Close it\n- and go\n')).toEqual(['Open the valve', 'Wait', 'Close it', 'and go'])
})
it('makes sections of lines with lines under them, and points of what stands still deeper', () => {
  expect(outline('Before\n\tGloves on\n\tTools\n\t\tspanner\n\t\tbucket\nAfter\n\tWash hands')).toEqual([
    '# Before',
    'Gloves on',
    'Tools\nspanner\nbucket',
    '# After',
    'Wash hands',
  ])
  expect(outline('1 Before\n1.1 Gloves on\n1.2 Tools\n2 After\n2.1 Wash hands')).toEqual([
    '# Before',
    'Gloves on',
    'Tools',
    '# After',
    'Wash hands',
  ])
})
it('keeps a numbered line over bullets a step', () => {
  expect(outline('1. Lay out the tools\n   - spanner\n   - bucket\n2. Begin')).toEqual(['Lay out the tools\nspanner\nbucket', 'Begin'])
})
it('makes a step of a line that is too long for a heading, with what stands under it', () => {
  const long = 'Wash every tray '.repeat(30).trim()
  expect(outlineItems(`${long}\n  inside\n  outside`, seededIds(1)).map((item) => item.kind === 'step' && plainText(item.body))).toEqual([
    `${long}\ninside\noutside`,
  ])
})
