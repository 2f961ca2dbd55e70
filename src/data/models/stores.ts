import { DataTypes, type CreationOptional, type Sequelize } from 'sequelize'
import { Row, key, maybe, moment, tables, text, ulid } from './columns'

/** One change of what is in a bottle; the application's user may add and read, and change nothing. */
export class BottleMoveRow extends Row<BottleMoveRow> {
  declare id: string
  declare bottle: string
  declare course: string
  /** Substance and form of the bottle, as they stood. */
  declare what: string
  declare kind: string
  /** In `unit`; less than zero for what went out. */
  declare amount: number
  declare unit: string
  declare at: Date
  declare person: string
  declare session: CreationOptional<string | null>
  declare reason: CreationOptional<string>
}

/** Something that was written down while a session was made ready, or about the waste of a room; what is newer stands over what is older of the same item. */
export class StoresRecordRow extends Row<StoresRecordRow> {
  declare id: string
  declare course: string
  declare session: CreationOptional<string | null>
  declare kind: string
  declare item: string
  declare body: string
  declare at: Date
  declare person: string
}

/** Ties the models of the stores to a connection. */
export function defineStores(sequelize: Sequelize): void {
  const table = tables(sequelize)
  BottleMoveRow.init(
    {
      id: key(),
      bottle: ulid(),
      course: ulid(),
      what: text(300),
      kind: text(20),
      amount: { type: DataTypes.DOUBLE, allowNull: false },
      unit: text(4),
      at: moment(),
      person: ulid(),
      session: maybe(),
      reason: { ...text(200), defaultValue: '' },
    },
    table('bottle_move'),
  )
  StoresRecordRow.init(
    {
      id: key(),
      course: ulid(),
      session: maybe(),
      kind: text(20),
      item: text(400),
      body: { type: DataTypes.TEXT('medium'), allowNull: false },
      at: moment(),
      person: ulid(),
    },
    table('stores_record'),
  )
}
