import { monitorEventLoopDelay } from 'node:perf_hooks'
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client'
import { appended } from '@/data/appended'

/** How long answers take, s: from what nobody feels to what everybody does. */
const steps = [0.005, 0.02, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10]

/** What is counted of this process, in the usual text format. No label holds a name, a code or an id. */
export interface Counters {
  registry: Registry
  answered: (method: string, status: number, seconds: number) => void
}

export function counters(live: () => number): Counters {
  const registry = new Registry()
  collectDefaultMetrics({ register: registry, prefix: 'mozle_' })
  const registers = [registry]
  const requests = new Counter({
    name: 'mozle_requests_total',
    help: 'Requests answered, by method and class of status',
    labelNames: ['method', 'status'],
    registers,
  })
  const duration = new Histogram({
    name: 'mozle_request_seconds',
    help: 'Time to the end of an answer; streams are left out',
    buckets: steps,
    registers,
  })
  new Gauge({
    name: 'mozle_live_streams',
    help: 'Boards and benches that are open',
    registers,
    collect() {
      this.set(live())
    },
  })
  const watch = monitorEventLoopDelay({ resolution: 5 })
  watch.enable()
  for (const [name, help, of] of [
    ['most', 'The longest time since this was asked before in which nobody was served', () => watch.max],
    ['p99', 'The same at the 99th percentile of all moments', () => watch.percentile(99)],
  ] as const)
    new Gauge({
      name: `mozle_loop_held_${name}_seconds`,
      help,
      registers,
      collect() {
        // What the watch itself waits between two looks is no hold.
        this.set(Math.max(0, of() * 1e-9 - 0.005))
        if (name === 'p99') watch.reset()
      },
    })
  let seen = 0
  new Counter({
    name: 'mozle_entries_total',
    help: 'Entries written into logs by this process',
    registers,
    collect() {
      const { entries } = appended()
      this.inc(entries - seen)
      seen = entries
    },
  })
  const methods = new Set(['GET', 'HEAD', 'POST', 'PUT', 'DELETE'])
  return {
    registry,
    answered(method, status, seconds) {
      requests.inc({ method: methods.has(method) ? method : 'other', status: `${Math.floor(status / 100)}xx` })
      duration.observe(seconds)
    },
  }
}
