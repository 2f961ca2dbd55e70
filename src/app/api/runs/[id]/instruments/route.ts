import { instruments } from '@/server/instruments'
import { route } from '@/server/route'
import { subjectOfRun } from '@/server/runs'

/** The instruments that this bench can read with one press. */
export const GET = route(
  { need: 'run.read', subject: ({ id }: { id: string }, people) => subjectOfRun(id, people) },
  async () => ({ instruments: await instruments() }),
)
