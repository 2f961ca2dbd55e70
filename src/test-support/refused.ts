import { Refusal } from '@/server/refusal'

/** Status and words of what was refused. @throws Error where it was not */
export async function refused(work: Promise<unknown>): Promise<string> {
  try {
    await work
  } catch (error) {
    if (error instanceof Refusal) return `${error.status} ${error.message}`
    throw error
  }
  throw new Error('it was not refused')
}
