import { Agent, request } from 'node:http'

export type Target = { name: string; address: string; path: () => string; cookie: string }
export type Latencies = { sent: number; failed: number; p50: number; p95: number; p99: number; max: number }

const agent = new Agent({ keepAlive: true, maxSockets: 200 })

const once = (target: Target): Promise<boolean> =>
  new Promise((resolve) => {
    const call = request(target.address + target.path(), { agent, headers: { cookie: target.cookie } }, (answer) => {
      answer.resume()
      answer.on('end', () => resolve(answer.statusCode === 200))
    })
    call.on('error', () => resolve(false))
    call.end()
  })

const at = (sorted: readonly number[], share: number): number => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0

/** Sends requests at a steady pace, whether or not earlier ones have been answered, and measures each from the moment at which it
 * was due. Milliseconds.
 * @param perSecond requests a second over all targets
 * @param seconds   how long */
export async function openLoad(targets: readonly Target[], perSecond: number, seconds: number): Promise<Map<string, Latencies>> {
  const times = new Map(targets.map((target) => [target.name, [] as number[]]))
  const failed = new Map(targets.map((target) => [target.name, 0]))
  const running: Promise<void>[] = []
  const startedAt = performance.now()
  for (let i = 0; i < perSecond * seconds; i++) {
    const due = startedAt + (i * 1000) / perSecond
    const wait = due - performance.now()
    if (wait > 1) await new Promise((resolve) => setTimeout(resolve, wait))
    const target = targets[i % targets.length]!
    running.push(
      once(target).then((ok) => {
        times.get(target.name)!.push(performance.now() - due)
        if (!ok) failed.set(target.name, failed.get(target.name)! + 1)
      }),
    )
  }
  await Promise.all(running)
  return new Map(
    [...times].map(([name, list]) => {
      const sorted = list.sort((a, b) => a - b)
      return [
        name,
        {
          sent: sorted.length,
          failed: failed.get(name)!,
          p50: at(sorted, 0.5),
          p95: at(sorted, 0.95),
          p99: at(sorted, 0.99),
          max: sorted.at(-1) ?? 0,
        },
      ]
    }),
  )
}
