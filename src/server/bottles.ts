import { ulid } from 'ulid'
import type { Form } from '@/core/plan/plan'
import { formSchema } from '@/core/stores/bottleSchema'
import type { Bottle } from '@/core/stores/bottle'
import { BottleRow, User } from '@/data/models'
import { Refusal } from './refusal'
import type { Subject } from './rights'

/** What is written about a bottle. */
export interface WrittenBottle {
  substance: string
  formula?: string | null | undefined
  form: Form
  left: { value: number; unit: 'g' | 'mL'; decimals: number }
  place: string
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
  return rows.map(({ id, substance, formula, form, leftValue, leftUnit, leftDecimals, place, changedAt, changedBy }) => ({
    id,
    substance,
    formula,
    form: formIn(form),
    left: { value: leftValue, unit: leftUnit, decimals: leftDecimals },
    place,
    changedAt: changedAt.toISOString(),
    changedBy: people.find((person) => person.id === changedBy)?.name ?? '',
  }))
}

/** What cannot be read any more is shown as a solid that nobody has described, so that the bottle can be put right or taken off. */
function formIn(text: string): Form {
  try {
    return formSchema.validateSync(JSON.parse(text), { strict: true })
  } catch {
    return { kind: 'solid', purity: 1 }
  }
}

const columns = ({ substance, formula, form, left, place }: WrittenBottle, user: string, now: Date) => ({
  substance,
  formula: formula ?? null,
  form: JSON.stringify(form),
  leftValue: left.value,
  leftUnit: left.unit,
  leftDecimals: left.decimals,
  place,
  changedAt: now,
  changedBy: user,
})

export async function addBottle(course: string, written: WrittenBottle, user: string, now = new Date()): Promise<{ id: string }> {
  const id = ulid()
  await BottleRow.create({ id, course, ...columns(written, user, now) })
  return { id }
}

/** Writes what is left in a bottle and where it stands. */
export async function changeBottle(
  id: string,
  { left, place }: Pick<WrittenBottle, 'left' | 'place'>,
  user: string,
  now = new Date(),
): Promise<void> {
  await (
    await bottleOf(id)
  ).update({ leftValue: left.value, leftUnit: left.unit, leftDecimals: left.decimals, place, changedAt: now, changedBy: user })
}

export async function removeBottle(id: string): Promise<void> {
  await (await bottleOf(id)).destroy()
}
