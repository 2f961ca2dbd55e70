import { pictureOf as kept } from '@/data/beside'
import { EntryRow } from '@/data/models'
import { Refusal } from './refusal'
import type { Actor, Subject } from './rights'
import { subjectOfRun } from './runs'

/** The run in whose log a picture stands. @throws Refusal 404 */
export async function subjectOfPicture(entry: string, people: readonly (Actor | null)[]): Promise<Subject> {
  const found = await EntryRow.findByPk(entry, { attributes: ['run'] })
  if (!found) throw new Refusal(404, 'There is no such picture.')
  return subjectOfRun(found.run, people)
}

/** The picture of an entry, a JPEG. @throws Refusal 404 where there is none, 409 where it is not the one that was taken */
export async function pictureOf(entry: string): Promise<Buffer> {
  const picture = await kept(entry)
  if (picture === null) throw new Refusal(404, 'There is no such picture, or it is no longer kept.')
  if (picture === 'altered') throw new Refusal(409, 'This picture is not the one that was taken.')
  return picture
}
