// Loaded into the server before anything else (`node --import`): tells how long its event loop was held, and how much memory it has.
import { monitorEventLoopDelay } from 'node:perf_hooks'

const RESOLUTION_MS = 5
const delay = monitorEventLoopDelay({ resolution: RESOLUTION_MS })
delay.enable()
process.on('message', (message) => {
  if (message !== 'loop-delay') return
  const ms = (ns) => Math.max(0, ns / 1e6 - RESOLUTION_MS)
  process.send?.({ loopDelay: { maxMs: ms(delay.max), p99Ms: ms(delay.percentile(99)), rssMb: process.memoryUsage.rss() / 1e6 } })
  delay.reset()
})
