import { route } from '@/server/route'

export const GET = route({ need: { open: 'telling that the server answers' } }, async () => ({ ok: true }))
