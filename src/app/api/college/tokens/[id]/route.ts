import { college, route } from '@/server/route'
import { withdrawToken } from '@/server/tokens'

/** Withdraws a token; that it was there stays. */
export const DELETE = route(
  { need: 'college.write', subject: (_: { id: string }) => college(), deed: 'withdrew a token' },
  ({ params }) => withdrawToken(params.id),
)
