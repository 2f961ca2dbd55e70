import { plansLeadingTo } from '@/server/preparationLists'
import { route } from '@/server/route'

/** The plan of a preparation by its title, and those that lead to it, for a sequence. */
export const GET = route(
  { need: 'plan.read', subject: async ({ id }: { id: string }) => ({ course: id }) },
  async ({ params, request, actor }) => ({
    plans: await plansLeadingTo(
      params.id,
      (request.nextUrl.searchParams.get('title') ?? '').slice(0, 200),
      actor,
      request.nextUrl.searchParams.get('of') ?? undefined,
    ),
  }),
)
