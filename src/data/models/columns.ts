import { DataTypes, Model, type InferAttributes, type InferCreationAttributes, type Sequelize } from 'sequelize'

/** A row of a table, typed by what it declares. */
export abstract class Row<T extends Model> extends Model<InferAttributes<T>, InferCreationAttributes<T>> {}

export const ulid = () => ({ type: DataTypes.CHAR(26), allowNull: false })
export const key = () => ({ ...ulid(), primaryKey: true })
export const text = (length = 120) => ({ type: DataTypes.STRING(length), allowNull: false })
export const whole = () => ({ type: DataTypes.INTEGER, allowNull: false })
export const moment = () => ({ type: DataTypes.DATE(3), allowNull: false })
export const flag = () => ({ type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false })
/** A moment that may not have been. */
export const perhaps = () => ({ type: DataTypes.DATE(3) })
/** An id that may not be there. */
export const maybe = () => ({ type: DataTypes.CHAR(26) })

/** What every model of a connection is tied with. */
export const tables = (sequelize: Sequelize) => (tableName: string) => ({ sequelize, tableName })
