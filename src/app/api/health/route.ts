import { route } from '@/server/route'

/** Says that the process lives, which it does by answering; whether it can work, /api/ready says. */
export const GET = route({ need: { open: 'telling that the server answers' } }, async () => Response.json({ ok: true }))
