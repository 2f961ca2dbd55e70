import { route } from '@/server/route'
import { drawStructure } from '@/server/structures/structures'

export const GET = route(
  { need: 'plan.write', subject: async ({ id }: { id: string }) => ({ course: id }) },
  async ({ request: { nextUrl } }) => ({
    drawing: await drawStructure(
      nextUrl.searchParams.get('smiles')?.slice(0, 2000),
      nextUrl.searchParams.get('name')?.slice(0, 200) ?? '',
    ),
  }),
)
