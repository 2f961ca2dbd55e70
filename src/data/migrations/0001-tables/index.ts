import type { QueryInterface } from 'sequelize'
import { afterTheDay } from './afterTheDay'
import { people } from './people'
import { plans } from './plans'
import { sessions } from './sessions'
import { stores } from './stores'

/** The tables as they were first released. */
export async function tables({ sequelize }: QueryInterface): Promise<void> {
  for (const statement of [...people, ...plans, ...sessions, ...afterTheDay, ...stores]) await sequelize.query(statement)
}
