import { DataTypes, type QueryInterface } from 'sequelize'

const ulid = { type: DataTypes.CHAR(26), allowNull: false }
const text = (length: number) => ({ type: DataTypes.STRING(length), allowNull: false })
const moment = { type: DataTypes.DATE(3), allowNull: false }
const whole = { type: DataTypes.INTEGER, allowNull: false }
const to = (model: string) => ({ ...ulid, references: { model, key: 'id' } })

/** People, courses, sections, groups, preparations and their revisions. A published plan is frozen by a trigger. */
export async function peopleAndPlans(query: QueryInterface): Promise<void> {
  await query.createTable('user', {
    id: { ...ulid, primaryKey: true },
    sign_in: { ...text(120), unique: true },
    name: text(120),
    password_hash: text(200),
  })
  await query.createTable('attempt', { key: { ...text(160), primaryKey: true }, failures: whole, since: moment })
  await query.createTable('course', { id: { ...ulid, primaryKey: true }, title: text(120), college: text(120), zone: text(60) })
  await query.createTable('membership', {
    user: { ...to('user'), primaryKey: true },
    course: { ...to('course'), primaryKey: true },
    role: text(20),
  })
  await query.createTable('section', { id: { ...ulid, primaryKey: true }, course: to('course'), name: text(120) })
  await query.createTable('student_group', {
    id: { ...ulid, primaryKey: true },
    section: to('section'),
    bench: whole,
    members: text(200),
  })
  await query.createTable('preparation', { id: { ...ulid, primaryKey: true }, course: to('course'), title: text(200) })
  await query.createTable(
    'revision',
    {
      id: { ...ulid, primaryKey: true },
      preparation: to('preparation'),
      number: whole,
      state: text(12),
      plan: { type: DataTypes.TEXT('long'), allowNull: false },
      version: whole,
      saved_at: moment,
      saved_by: to('user'),
      published_at: { type: DataTypes.DATE(3) },
      published_by: { type: DataTypes.CHAR(26) },
    },
    { uniqueKeys: { one_number: { fields: ['preparation', 'number'] } } },
  )
  await query.sequelize.query(`
    CREATE TRIGGER published_plan_is_frozen BEFORE UPDATE ON revision FOR EACH ROW
    BEGIN
      IF OLD.state <> 'draft' AND (NEW.plan <> OLD.plan OR NEW.version <> OLD.version OR NEW.state = 'draft') THEN
        SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'A published plan is frozen';
      END IF;
    END`)
}
