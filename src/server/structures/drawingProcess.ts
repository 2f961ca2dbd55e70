/** A process of its own that reads and draws structures, started by structureReader.ts. */
import { answerTasks } from '../apart/answerTasks'
import { draw, molfile, StructureError, understand } from './molecules'

const tasks = { understand, draw, molfile }

export type Tasks = typeof tasks

answerTasks(tasks, (error) => (error instanceof StructureError ? error.message : 'This structure cannot be read.'))
