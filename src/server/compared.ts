import { ulid } from 'ulid'
import { substanceRecords } from '@/reference/records'
import { valuesOf, type Comparison } from '@/reference/compared'
import { ComparedRow, User } from '@/data/models'
import { Refusal } from './refusal'

/** What the people of a course have compared with its source, of one record or of all. */
export async function comparisonsIn(course: string, record?: string): Promise<Comparison[]> {
  const rows = await ComparedRow.findAll({ where: { course, ...(record === undefined ? {} : { record }) } })
  const people = await User.findAll({ where: { id: [...new Set(rows.map(({ comparedBy }) => comparedBy))] } })
  return rows.map(({ record: of, what, value, comparedBy, comparedAt }) => ({
    record: of,
    what,
    value,
    by: people.find(({ id }) => id === comparedBy)?.name ?? 'somebody',
    on: comparedAt.toISOString().slice(0, 10),
  }))
}

/** Notes, or takes back, that a person has compared a value with its source. @throws Refusal 404 for a value that no record has */
export async function noteComparison(
  { course, record, what, compared }: { course: string; record: string; what: string; compared: boolean },
  person: string,
  now: Date,
): Promise<void> {
  const found = substanceRecords.find(({ id }) => id === record)
  const value = found && valuesOf(found).find((each) => each.what === what)
  if (!value) throw new Refusal(404, 'No record has this value.')
  if (!compared) {
    await ComparedRow.destroy({ where: { course, record, what } })
    return
  }
  await ComparedRow.upsert({ id: ulid(), course, record, what, value: value.value, comparedBy: person, comparedAt: now })
}
