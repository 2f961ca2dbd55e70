import { thisMoment } from './clock'
import { ulid } from 'ulid'
import type { Form } from '@/core/plan/plan'
import { aboutSchema } from '@/core/stores/bottleSchema'
import type { Bottle, BottleAbout } from '@/core/stores/bottle'
import { recordNamed } from '@/reference/records'
import { BottleRow, User } from '@/data/models'
import { moveBottle } from './bottleMoves'
import { formIn } from './formIn'
import { Refusal } from './refusal'
import type { Subject } from './rights'

/** What is written about a bottle. */
export interface WrittenBottle {
  substance: string
  formula?: string | null | undefined
  form: Form
  left: { value: number; unit: 'g' | 'mL'; decimals: number }
  place: string
  about?: BottleAbout | undefined
}

async function bottleOf(id: string): Promise<BottleRow> {
  const bottle = await BottleRow.findByPk(id)
  if (!bottle) throw new Refusal(404, 'This bottle is no longer on the shelf.')
  return bottle
}

export async function subjectOfBottle(id: string): Promise<Subject> {
  return { course: (await bottleOf(id)).course }
}

/** The bottles of a course by name, with who last changed them. */
export async function listBottles(course: string): Promise<Bottle[]> {
  const rows = await BottleRow.findAll({ where: { course }, order: [['substance', 'ASC']] })
  const people = await User.findAll({ where: { id: rows.map(({ changedBy }) => changedBy) } })
  return rows.map(({ id, substance, formula, form, leftValue, leftUnit, leftDecimals, place, about, changedAt, changedBy }) => ({
    ...aboutIn(about),
    id,
    substance,
    ...recordOf(substance),
    formula,
    form: formIn(form),
    left: { value: leftValue, unit: leftUnit, decimals: leftDecimals },
    place,
    changedAt: changedAt.toISOString(),
    changedBy: people.find((person) => person.id === changedBy)?.name ?? '',
  }))
}

/** The name of the record that a label means, where it is another than the label's own. */
function recordOf(label: string): Pick<Bottle, 'recordName'> {
  const name = recordNamed(label)?.name
  return name === undefined || name === label ? {} : { recordName: name }
}

/** What is written on a label; nothing where it cannot be read any more. */
function aboutIn(text: string | undefined): BottleAbout {
  try {
    return aboutSchema.validateSync(JSON.parse(text ?? '{}'), { strict: true })
  } catch {
    return {}
  }
}

const columns = ({ substance, formula, form, left, place, about }: WrittenBottle, user: string, now: Date) => ({
  substance,
  formula: formula ?? null,
  form: JSON.stringify(form),
  leftValue: left.value,
  leftUnit: left.unit,
  leftDecimals: left.decimals,
  place,
  about: JSON.stringify(about ?? {}),
  changedAt: now,
  changedBy: user,
})

export async function addBottle(
  course: string,
  written: WrittenBottle,
  user: string,
  now = thisMoment(),
): Promise<{ id: string }> {
  const id = ulid()
  await BottleRow.create({ id, course, ...columns(written, user, now) })
  return { id }
}

/** Writes what is left in a bottle, where that was counted again, and where it stands and what its label says. */
export async function changeBottle(
  id: string,
  { left, place, about, reason }: Pick<WrittenBottle, 'left' | 'place' | 'about'> & { reason?: string | undefined },
  user: string,
  now = thisMoment(),
): Promise<void> {
  const bottle = await bottleOf(id)
  if (left.unit !== bottle.leftUnit)
    throw new Refusal(409, `This bottle is kept in ${bottle.leftUnit}. Write how many ${bottle.leftUnit} are left.`)
  if (left.value !== bottle.leftValue) await moveBottle(id, { kind: 'counted', by: { left: left.value }, reason }, user, now)
  await bottle.update({
    leftDecimals: left.decimals,
    place,
    ...(about ? { about: JSON.stringify(about) } : {}),
    changedAt: now,
    changedBy: user,
  })
}

export async function removeBottle(id: string): Promise<void> {
  await (await bottleOf(id)).destroy()
}
