import { thisMoment } from './clock'
import { ulid } from 'ulid'
import { QueryTypes } from 'sequelize'
import { strengthText } from '@/core/plan/lineName'
import type { MoveKind } from '@/core/stores/stock'
import { database, transacted } from '@/data/connect'
import { BottleMoveRow, BottleRow } from '@/data/models'
import { formIn } from './formIn'
import { Refusal } from './refusal'

interface Asked {
  kind: MoveKind
  /** By how much it becomes more, in the unit of the bottle; less than zero for what goes out. Or what is in it now, where it was counted. */
  by: number | { left: number }
  session?: string | undefined
  reason?: string | undefined
}

/** How often it is tried again when somebody else has changed the same bottle in the same moment. */
const tries = 8

/**
 * Changes what is in a bottle and writes down why. Two people at one bottle take turns by trying again, not by locks, which hold at one database only.
 * @throws Refusal 404 without such a bottle, 409 where more is taken than there is
 */
export async function moveBottle(
  id: string,
  { kind, by, session, reason = '' }: Asked,
  person: string,
  at = thisMoment(),
): Promise<void> {
  for (let again = 0; again < tries; again++) {
    const bottle = await BottleRow.findByPk(id)
    if (!bottle) throw new Refusal(404, 'This bottle is no longer on the shelf.')
    const { leftValue: before, leftUnit: unit } = bottle
    const left = typeof by === 'number' ? rounded(before + by) : by.left
    if (left < 0)
      throw new Refusal(
        409,
        `Only ${before} ${unit} of ${bottle.substance} are left in this bottle by the book. Count it again if there is more.`,
      )
    const done = await transacted(async (transaction) => {
      const [changed] = await BottleRow.update(
        { leftValue: left, leftDecimals: Math.max(bottle.leftDecimals, decimalsOf(left)), changedAt: at, changedBy: person },
        { where: { id, leftValue: before }, transaction },
      )
      if (changed === 0 && left !== before) return false
      await BottleMoveRow.create(
        {
          id: ulid(at.getTime()),
          bottle: id,
          course: bottle.course,
          what: [bottle.substance, strengthText(formIn(bottle.form))].filter(Boolean).join(', '),
          kind,
          amount: rounded(left - before),
          unit,
          at,
          person,
          session: session ?? null,
          reason,
        },
        { transaction },
      )
      return true
    })
    if (done) return
  }
  throw new Refusal(409, 'Others change this bottle all the time; try again.')
}

/** Sums of amounts that were typed with few digits: what floats add is taken off. */
const rounded = (value: number) => Number(value.toPrecision(12))

const decimalsOf = (value: number) => Math.min(3, (String(value).split('.')[1] ?? '').length)

export interface UsedRow {
  what: string
  unit: string
  used: number
  moves: number
}

/** What a course used between two moments, by what was in the bottles: what went out and did not come back. */
export async function usedBetween(course: string, from: Date, to: Date): Promise<UsedRow[]> {
  return database().query<UsedRow>(
    `SELECT what, unit, -SUM(amount) AS used, COUNT(*) AS moves FROM bottle_move
     WHERE course = :course AND at >= :from AND at < :to AND kind IN ('set out', 'came back', 'charged', 'thrown away', 'distilled')
     GROUP BY what, unit ORDER BY what`,
    { replacements: { course, from, to }, type: QueryTypes.SELECT },
  )
}
