import { college, route } from '@/server/route'
import { withdrawToken } from '@/server/tokens'

/** Withdraws a token; that it was there stays. */
export const DELETE = route<{ id: string }>({ need: 'college.write', subject: college, deed: 'withdrew a token' }, ({ params }) =>
  withdrawToken(params.id),
)
