import { readiness } from '@/server/health'
import { route } from '@/server/route'

/** Whether the service can work: database, tables and disk, without figures. */
export const GET = route({ need: { open: 'telling a balancer whether the service can work' } }, async () => {
  const found = await readiness()
  return Response.json(found, { status: found.ok ? 200 : 503 })
})
