/** A process of its own that reads files of instruments, started by `readTraceApart.ts`. */
import { readTrace } from '@/core/traces/readTrace'
import type { TraceKind } from '@/core/traces/trace'
import { answerTasks } from './answerTasks'

/** What a file of an instrument says of itself. */
export interface TraceHead {
  kind: TraceKind
  title: string
  simulated: boolean
}

const tasks = {
  readHead(content: string, name: string): { ok: true; value: TraceHead } | { ok: false; problem: string } {
    const read = readTrace(content, name)
    if (!read.ok) return read
    const { kind, title, simulated } = read.value
    return { ok: true, value: { kind, title, simulated } }
  },
}

export type Tasks = typeof tasks

answerTasks(tasks, () => 'This file cannot be read.')
