/** A process of its own that makes the tables of a session, started by `exported.ts`. */
import { database } from '@/data/connect'
import { csvOfSession } from '../exports'
import { log, plainError } from '../log'
import { Refusal } from '../refusal'
import { answerTasks } from './answerTasks'

const tasks = { csvOfSession }

export type Tasks = typeof tasks

database()
answerTasks(tasks, (error) => {
  if (error instanceof Refusal) return error.message
  log().error({ error: plainError(error) }, 'a table could not be made')
  return 'This table could not be made. Try again in a moment.'
})
