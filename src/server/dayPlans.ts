import { thisMoment } from './clock'
import type { Transaction } from 'sequelize'
import { decodeTime, ulid } from 'ulid'
import { dayPlanSchema, noDayPlan, type DayPlan } from '@/core/stores/record'
import { transacted } from '@/data/connect'
import { LabSession, StoresRecordRow } from '@/data/models'
import { takeTurn } from '@/data/turns'
import { standsOver, type Written } from './whole'

const kind = 'timetable'

const newest = (session: string, transaction?: Transaction): Promise<StoresRecordRow | null> =>
  StoresRecordRow.findOne({ where: { session, kind }, order: [['id', 'DESC']], transaction })

/** What was told for a session, and what there is of its stations today; what cannot be read any more is nothing. */
export const dayPlanOf = async (session: string): Promise<DayPlan> => readDayPlan(await newest(session))

function readDayPlan(row: StoresRecordRow | null): DayPlan {
  try {
    return row ? dayPlanSchema.validateSync(JSON.parse(row.body), { strict: true }) : noDayPlan
  } catch {
    return noDayPlan
  }
}

/** Writes what a session’s groups are told from now on. @throws Refusal 409 where somebody else was first */
export async function writeDayPlan(course: string, session: string, written: Written<DayPlan>, person: string): Promise<void> {
  const { section } = await LabSession.findByPk(session, { rejectOnEmpty: true })
  await transacted(async (transaction) => {
    await takeTurn('section', section, transaction)
    const last = await newest(session, transaction)
    if (!standsOver(readDayPlan(last), written)) return
    // The newest is found by its id, also where the clocks of two servers differ.
    const at = new Date(Math.max(thisMoment().getTime(), last ? decodeTime(last.id) + 1 : 0))
    const row = { id: ulid(at.getTime()), course, session, kind, item: '', body: JSON.stringify(written.value), at, person }
    await StoresRecordRow.create(row, { transaction })
  })
}
