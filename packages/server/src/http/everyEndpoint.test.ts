import { seededRandom } from '@jackdaw/core/shared'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { nameOf } from '../testing/hostile/inputs'
import { tryEndpoint, tryForeignIds, type Tried } from '../testing/hostile/tryEndpoint'
import { HostileWorld } from '../testing/hostile/world'

// The same tries as in `npm run test:deep`, only fewer: see docs/security.md.
const INPUTS = Number(process.env['HOSTILE_INPUTS'] ?? 10)
const ROUNDS = Number(process.env['FOREIGN_ROUNDS'] ?? 1)
const SEED = Number(process.env['HOSTILE_SEED'] ?? 10)
const ONLY = new RegExp(process.env['HOSTILE_ONLY'] ?? '')
const LEAST_ACCEPTED = 0.3

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
      for (const [n, endpoint] of endpoints())
        results.set(nameOf(endpoint), await tryEndpoint(world, endpoint, INPUTS, seededRandom(SEED * 1_000 + n)))
      expect([...results.values()].flatMap((tried) => tried.faults)).toEqual([])
    },
    INPUTS * 30_000,
  )
  it('was let in often enough for more than the door to be tried', () => {
    const shares = [...results].map(([name, tried]) => [name, tried.accepted / tried.sent] as const)
    expect(shares.filter(([, share]) => share < LEAST_ACCEPTED)).toEqual([])
    expect(shares.length).toBe(endpoints().length)
  })
  it(
    'refuses ids of what belongs to somebody else, or leaves it alone and tells nothing of it',
    async () => {
      const faults: string[] = []
      for (const [n, endpoint] of endpoints())
        faults.push(...(await tryForeignIds(world, endpoint, ROUNDS, seededRandom(SEED * 2_000 + n))).faults)
      expect(faults).toEqual([])
    },
    ROUNDS * 300_000,
  )
})
