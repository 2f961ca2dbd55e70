/**
 * A process of its own that reads and draws structures, started by structureReader.ts: what takes too long is ended, and what takes too much memory ends this process and not the application.
 */
import { draw, molfile, StructureError, understand } from './molecules'

const tasks = { understand, draw, molfile }

export type Tasks = typeof tasks
export type Asked = { id: number; task: keyof Tasks; text: string }
export type Answered = { ready: true } | { id: number; found: unknown } | { id: number; refused: string }

const answer = (message: Answered) => process.send!(message)

process.on('message', ({ id, task, text }: Asked) => {
  try {
    answer({ id, found: tasks[task](text) })
  } catch (error) {
    answer({ id, refused: error instanceof StructureError ? error.message : 'This structure cannot be read.' })
  }
})
process.once('disconnect', () => process.exit())
answer({ ready: true })
