import { seededRandom } from '@jackdaw/core/shared'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { nameOf } from '../testing/hostile/inputs'
import { faultInLists, tryEndpoint, tryForeignIds, type Tried } from '../testing/hostile/tryEndpoint'
import { HostileWorld } from '../testing/hostile/world'

// The same tries as in `npm run test:deep`, only fewer: see docs/security.md.
const INPUTS = Number(process.env['HOSTILE_INPUTS'] ?? 6)
const ROUNDS = Number(process.env['FOREIGN_ROUNDS'] ?? 1)
const SEED = Number(process.env['HOSTILE_SEED'] ?? 10)
const ONLY = new RegExp(process.env['HOSTILE_ONLY'] ?? '')
const LEAST_ACCEPTED = 0.5
/** These hold only while nobody is there: see `beginning.test.ts`. */
const BEFORE_ANYBODY = new Set(['post /api/set-up', 'post /api/set-up/look'])
/** All lists are read again after so many endpoints. */
const LISTS_AFTER = INPUTS >= 20 ? 1 : 10

/** Of each endpoint its own, so that another endpoint changes nothing for it. */
const seedOf = (name: string): number => [...name].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 1_000_003, SEED)

let world: HostileWorld
beforeAll(async () => {
  world = await HostileWorld.start()
})
afterAll(() => world.close())

describe('every endpoint, from its own contract', () => {
  const results = new Map<string, Tried>()
  const endpoints = () => [...world.server.routes.served.entries()].filter(([, endpoint]) => ONLY.test(nameOf(endpoint)))
  it(
    'answers whatever is sent with what it declares, changes nothing where it refuses, and can be read again after what it takes',
    async () => {
      const faults: string[] = []
      for (const [n, endpoint] of endpoints()) {
        const tried = await tryEndpoint(world, endpoint, INPUTS, seededRandom(seedOf(nameOf(endpoint))))
        results.set(nameOf(endpoint), tried)
        faults.push(...tried.faults)
        const unreadable = n % LISTS_AFTER === 0 ? await faultInLists(world) : null
        if (unreadable) faults.push(`up to ${nameOf(endpoint)}: ${unreadable}`)
      }
      expect([...faults, await faultInLists(world)]).toEqual([null])
    },
    300_000 + INPUTS * 30_000,
  )
  it('was let in often enough for more than the door to be tried', () => {
    const shares = [...results].map(([name, tried]) => [name, tried.accepted / tried.meant] as const)
    expect(shares.filter(([name, share]) => share < LEAST_ACCEPTED && !BEFORE_ANYBODY.has(name))).toEqual([])
    expect(shares.length).toBe(endpoints().length)
  })
  it(
    'refuses ids of what belongs to somebody else, or leaves it alone and tells nothing of it',
    async () => {
      const faults: string[] = []
      for (const [, endpoint] of endpoints())
        faults.push(...(await tryForeignIds(world, endpoint, ROUNDS, seededRandom(seedOf(nameOf(endpoint)) + 1))).faults)
      expect(faults).toEqual([])
    },
    ROUNDS * 300_000,
  )
})
