import { answersNow } from '@/data/connect'

/** Whether this process answers, which it does by answering, and whether the database answers it. */
export async function health(): Promise<{ ok: boolean; database: 'answers' | 'does not answer' }> {
  const ok = await answersNow()
  return { ok, database: ok ? 'answers' : 'does not answer' }
}
