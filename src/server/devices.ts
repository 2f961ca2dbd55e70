import { ulid } from 'ulid'
import { sealedCookie } from './cookies'

const mostPeople = 20

/** What this device shows of itself: an id where it was let in before, and the people who gave their secret on it, newest first. */
export interface Device {
  id: string | null
  people: readonly string[]
}

export async function deviceHere(): Promise<Device> {
  const { device, people = [] } = await sealedCookie('device')
  return { id: device ?? null, people }
}

/**
 * Notes on this device that somebody was let in with it, so that its attempts are counted by themselves from now on: whoever guesses behind the same address, or at another bench, keeps nobody out here.
 * @param person who gave a secret of their own, where it was a person
 */
export async function letIn(person?: string): Promise<void> {
  const cookie = await sealedCookie('device')
  const people = cookie.people ?? []
  if (cookie.device !== undefined && (person === undefined || people[0] === person)) return
  cookie.device ??= ulid()
  if (person !== undefined) cookie.people = [person, ...people.filter((each) => each !== person)].slice(0, mostPeople)
  await cookie.save()
}
