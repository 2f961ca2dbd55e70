import { DataTypes, QueryTypes, type QueryInterface } from 'sequelize'

const ulid = { type: DataTypes.CHAR(26), allowNull: false }
const text = (length: number) => ({ type: DataTypes.STRING(length), allowNull: false })
const moment = { type: DataTypes.DATE(3), allowNull: false }
const whole = { type: DataTypes.INTEGER, allowNull: false }
const to = (model: string) => ({ ...ulid, references: { model, key: 'id' } })

/**
 * Drafts in a table of their own, so that nobody needs the right to delete or change a revision; titles, aims and faults in columns, so that lists read no documents; sign-ins
 * that can be ended; what an entry's tablet had seen and how far its clock was off; codes that only read; attempts counted by place.
 */
export async function keptPromises(query: QueryInterface): Promise<void> {
  const sql = (statement: string, replacements: Record<string, unknown> = {}) =>
    query.sequelize.query(statement, { replacements })
  await query.createTable('draft', {
    id: { ...ulid, primaryKey: true },
    preparation: { ...to('preparation'), unique: true },
    number: whole,
    title: text(200),
    aim: text(1000),
    plan: { type: DataTypes.TEXT('long'), allowNull: false },
    version: whole,
    saved_at: moment,
    saved_by: to('user'),
    fault: { type: DataTypes.STRING(500) },
  })
  await sql('DROP TRIGGER published_plan_is_frozen')
  await query.addColumn('revision', 'title', { ...text(200), defaultValue: '' })
  await query.addColumn('revision', 'aim', { ...text(1000), defaultValue: '' })
  await query.addColumn('revision', 'fault', { type: DataTypes.STRING(500) })
  await titlesIntoColumns(query)
  await sql(`INSERT INTO draft (id, preparation, number, title, aim, plan, version, saved_at, saved_by)
    SELECT id, preparation, number, title, aim, plan, version, saved_at, saved_by FROM revision r WHERE state = 'draft'
      AND NOT EXISTS (SELECT 1 FROM revision newer WHERE newer.preparation = r.preparation AND newer.number > r.number)`)
  await sql("DELETE FROM revision WHERE state = 'draft'")
  // Compared as bytes: the usual collation takes é for e and A for a.
  await sql('ALTER TABLE revision MODIFY plan LONGTEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL')
  await sql('ALTER TABLE draft MODIFY plan LONGTEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL')
  const frozen = [
    'id',
    'preparation',
    'number',
    'plan',
    'title',
    'aim',
    'version',
    'saved_at',
    'saved_by',
    'published_at',
    'published_by',
  ]
  const same = [...frozen, 'safety_read_at'].map((column) => `BINARY NEW.${column} <=> BINARY OLD.${column}`).join(' AND ')
  await sql(`CREATE TRIGGER revision_is_frozen BEFORE UPDATE ON revision FOR EACH ROW
    BEGIN
      IF NOT (${same}) THEN SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'A published plan is frozen'; END IF;
      IF NEW.state <> OLD.state AND NOT (OLD.state = 'published' AND NEW.state = 'superseded') THEN
        SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'A published plan is frozen: its state only moves forward';
      END IF;
    END`)
  await sql(`CREATE TRIGGER revision_stays BEFORE DELETE ON revision FOR EACH ROW
    SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'A published plan is frozen: it is not deleted'`)

  await query.createTable('sign_in', {
    id: { ...ulid, primaryKey: true },
    user: to('user'),
    password: text(64),
    opened_at: moment,
  })
  await query.addIndex('sign_in', ['opened_at'])
  await query.dropTable('attempt')
  await query.createTable('attempt', {
    key: { ...text(200), primaryKey: true },
    failures: whole,
    last: moment,
    until: moment,
    token: ulid,
  })
  await query.addIndex('attempt', ['last'])

  await query.addColumn('run', 'read_code', { type: DataTypes.CHAR(8), unique: true })
  await query.addColumn('entry', 'seen', { type: DataTypes.CHAR(26) })
  await query.addColumn('entry', 'clock_ms', { type: DataTypes.INTEGER })
  await query.addIndex('entry', ['run', 'at'])
  await query.addIndex('lab_session', ['section', 'starts_at'])
  await query.addIndex('lab_session', ['starts_at'])
  await query.addColumn('bottle', 'left_decimals', { ...whole, defaultValue: 0 })
  await sql('UPDATE bottle SET left_decimals = IF(left_value = FLOOR(left_value), 0, 1)')
}

/** What no longer can be read keeps the title of its preparation. */
async function titlesIntoColumns(query: QueryInterface): Promise<void> {
  const rows = await query.sequelize.query<{ id: string; plan: string; title: string }>(
    'SELECT revision.id, revision.plan, preparation.title FROM revision JOIN preparation ON preparation.id = revision.preparation',
    { type: QueryTypes.SELECT },
  )
  for (const { id, plan, title } of rows) {
    let [said, aim] = [title, '']
    try {
      const document = JSON.parse(plan) as { title?: unknown; aim?: unknown } | null
      if (typeof document?.title === 'string' && document.title !== '') said = document.title
      if (typeof document?.aim === 'string') aim = document.aim
    } catch {
      // Said where it is opened.
    }
    await query.sequelize.query('UPDATE revision SET title = :title, aim = :aim WHERE id = :id', {
      replacements: { id, title: said.slice(0, 200), aim: aim.slice(0, 1000) },
    })
  }
}
