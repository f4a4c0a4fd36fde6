import type { MissingScript } from '@jackdaw/contracts/exports'

/** Scripts for which people may look, with what they are called; what belongs to none of them is a sign. */
const SCRIPTS = {
  Han: 'Chinese',
  Hiragana: 'Japanese',
  Katakana: 'Japanese',
  Hangul: 'Korean',
  Arabic: 'Arabic',
  Hebrew: 'Hebrew',
  Devanagari: 'Devanagari',
  Bengali: 'Bengali',
  Tamil: 'Tamil',
  Thai: 'Thai',
  Georgian: 'Georgian',
  Armenian: 'Armenian',
  Ethiopic: 'Ethiopic',
} as const
const TESTS = Object.entries(SCRIPTS).map(([script, name]) => [new RegExp(`\\p{Script=${script}}`, 'u'), name] as const)

/** Characters without a letter in any font, by script. */
export function missingScripts(characters: readonly string[]): MissingScript[] {
  const byScript = new Map<string, string[]>()
  for (const character of characters) {
    const script = TESTS.find(([test]) => test.test(character))?.[1] ?? 'Signs'
    byScript.set(script, [...(byScript.get(script) ?? []), character])
  }
  return [...byScript].map(([script, some]) => ({ script, count: some.length, some: some.slice(0, 8).join(' ') }))
}
