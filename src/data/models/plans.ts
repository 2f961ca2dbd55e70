import { DataTypes, type CreationOptional, type Sequelize } from 'sequelize'
import { Row, key, moment, tables, text, ulid, whole } from './columns'

export class Preparation extends Row<Preparation> {
  declare id: string
  declare course: string
  declare title: string
  /** When it was put away; null while it is in use. */
  declare archivedAt: CreationOptional<Date | null>
}

/** A bottle on the shelf of a course. */
export class BottleRow extends Row<BottleRow> {
  declare id: string
  declare course: string
  declare substance: string
  declare formula: string | null
  /** The form as in a plan, as JSON. */
  declare form: string
  declare leftValue: number
  declare leftUnit: 'g' | 'mL'
  declare leftDecimals: number
  declare place: string
  /** Lot, days and titre, as JSON. */
  declare about: CreationOptional<string>
  declare changedAt: Date
  declare changedBy: string
}

/** A value of a reference record that a person of a course has compared with its source. */
export class ComparedRow extends Row<ComparedRow> {
  declare id: string
  declare course: string
  declare record: string
  declare what: string
  /** The value as it was compared, as JSON: what a later release says otherwise is not compared. */
  declare value: string
  declare comparedBy: string
  declare comparedAt: Date
}

/** The one draft of a preparation, which is written over and may be discarded. */
export class Draft extends Row<Draft> {
  declare id: string
  declare preparation: string
  declare number: number
  declare title: string
  declare aim: string
  /** The plan file, byte for byte. */
  declare plan: string
  /** Counts the saves, so that two windows notice each other. */
  declare version: number
  declare savedAt: Date
  declare savedBy: string
  /** Why the document cannot be read, where that was found. */
  declare fault: CreationOptional<string | null>
}

/** One published revision of a preparation's plan, frozen. It keeps the id that its draft had. */
export class Revision extends Row<Revision> {
  declare id: string
  declare preparation: string
  declare number: number
  declare state: 'published' | 'superseded'
  declare title: string
  declare aim: string
  /** The plan file, byte for byte. */
  declare plan: string
  /** How often the draft was saved that it was published from. */
  declare version: number
  declare savedAt: Date
  declare savedBy: string
  declare publishedAt: Date
  declare publishedBy: string
  /** When its author confirmed the safety sheet, which happens before it is published. */
  declare safetyReadAt: CreationOptional<Date | null>
  declare fault: CreationOptional<string | null>
}

/** That a second person has approved a published plan. */
export class Approval extends Row<Approval> {
  declare revision: string
  declare person: string
  declare at: Date
}

/** Ties the models of preparations, their plans, and the shelf to a connection. */
export function definePlans(sequelize: Sequelize): void {
  const table = tables(sequelize)
  Preparation.init({ id: key(), course: ulid(), title: text(200), archivedAt: { type: DataTypes.DATE(3) } }, table('preparation'))
  BottleRow.init(
    {
      id: key(),
      course: ulid(),
      substance: text(200),
      formula: { type: DataTypes.STRING(120) },
      form: text(500),
      leftValue: { type: DataTypes.DOUBLE, allowNull: false },
      leftUnit: text(4),
      leftDecimals: whole(),
      place: text(),
      about: { ...text(500), defaultValue: '{}' },
      changedAt: moment(),
      changedBy: ulid(),
    },
    table('bottle'),
  )
  ComparedRow.init(
    {
      id: key(),
      course: ulid(),
      record: text(),
      what: text(),
      value: { type: DataTypes.TEXT('long'), allowNull: false },
      comparedBy: ulid(),
      comparedAt: moment(),
    },
    table('compared'),
  )
  const document = {
    id: key(),
    preparation: ulid(),
    number: whole(),
    title: text(200),
    aim: text(1000),
    plan: { type: DataTypes.TEXT('long'), allowNull: false },
    version: whole(),
    savedAt: moment(),
    savedBy: ulid(),
    fault: { type: DataTypes.STRING(500) },
  }
  Draft.init(document, table('draft'))
  Revision.init(
    {
      ...document,
      state: text(12),
      publishedAt: moment(),
      publishedBy: ulid(),
      safetyReadAt: { type: DataTypes.DATE(3) },
    },
    table('revision'),
  )
  Approval.init({ revision: key(), person: ulid(), at: moment() }, table('approval'))
}
