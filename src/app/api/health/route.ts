import { health } from '@/server/health'
import { route } from '@/server/route'

export const GET = route({ need: { open: 'telling that the server answers' } }, async () => {
  const found = await health()
  return Response.json(found, { status: found.ok ? 200 : 503 })
})
