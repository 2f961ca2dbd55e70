import { ownOperationsOf } from '@/server/ownOperations'
import { route } from '@/server/route'

/** The operations of their own that a course's plans hold, for who writes another. */
export const GET = route(
  { need: 'plan.write', subject: async ({ id }: { id: string }) => ({ course: id }) },
  async ({ params }) => ({ operations: await ownOperationsOf(params.id) }),
)
