import { DataTypes, QueryTypes, type QueryInterface } from 'sequelize'
import { PlanFileError, readPlanFile, writePlanFile } from '@/core/format/planFile'

/**
 * What a frozen plan of an older version of the file says in this one is worked out once, now, and stands beside its bytes: no later reader of the old words can
 * alter a run that was held with it.
 */
export async function formBesideBytes(query: QueryInterface): Promise<void> {
  const sql = (statement: string, replacements: Record<string, unknown> = {}) =>
    query.sequelize.query(statement, { replacements })
  await query.addColumn('revision', 'brought_forward', { type: DataTypes.TEXT('long') })
  await sql('ALTER TABLE revision MODIFY brought_forward LONGTEXT CHARACTER SET utf8mb4 COLLATE utf8mb4_bin')
  const rows = await query.sequelize.query<{ id: string; plan: string }>('SELECT id, plan FROM revision', {
    type: QueryTypes.SELECT,
  })
  for (const { id, plan } of rows) {
    const form = formOf(plan)
    if (form !== undefined && form !== plan) await sql('UPDATE revision SET brought_forward = :form WHERE id = :id', { id, form })
  }
  await sql(`CREATE TRIGGER brought_forward_once BEFORE UPDATE ON revision FOR EACH ROW
    BEGIN
      IF NOT (BINARY NEW.brought_forward <=> BINARY OLD.brought_forward) THEN
        SIGNAL SQLSTATE '45000' SET MESSAGE_TEXT = 'A published plan is frozen: it is brought forward once';
      END IF;
    END`)
}

/** The document as it is written now; undefined where it cannot be read, which is said where it is opened. */
function formOf(plan: string): string | undefined {
  try {
    return writePlanFile(readPlanFile(plan))
  } catch (error) {
    if (!(error instanceof PlanFileError)) throw error
    return undefined
  }
}
