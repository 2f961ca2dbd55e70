import type { Sequelize } from 'sequelize'
import { defineAfterwards } from './models/afterwards'
import { definePeople } from './models/people'
import { definePlans } from './models/plans'
import { defineSessions } from './models/sessions'
import { defineStores } from './models/stores'

export * from './models/afterwards'
export * from './models/people'
export * from './models/plans'
export * from './models/sessions'
export * from './models/stores'

/** Ties the model classes to a connection. */
export function defineModels(sequelize: Sequelize): void {
  definePeople(sequelize)
  definePlans(sequelize)
  defineSessions(sequelize)
  defineAfterwards(sequelize)
  defineStores(sequelize)
}
