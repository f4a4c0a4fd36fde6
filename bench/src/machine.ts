import { readFileSync } from 'node:fs'

const ticks = (): { all: number; stolen: number } => {
  const [, ...numbers] = readFileSync('/proc/stat', 'utf8').split('\n')[0]!.split(/\s+/)
  const of = numbers.map(Number)
  return { all: of.slice(0, 8).reduce((sum, n) => sum + n, 0), stolen: of[7] ?? 0 }
}
/** Begins to watch how much of the processors' time this machine was not given, though it asked for it.
 * @returns what tells the share since then, from 0 to 1 */
export function watchStolen(): () => number {
  const from = ticks()
  return () => {
    const now = ticks()
    return (now.stolen - from.stolen) / Math.max(1, now.all - from.all)
  }
}
