import { openApiOf } from '@/server/openApi'
import { route } from '@/server/route'
import { version } from '../../../../package.json'
import { routesForTokens } from '../interface'

/** What the college's other systems may ask, and how. */
export const GET = route({ need: { open: 'says how the interface is called, and nothing of the college' } }, () =>
  Promise.resolve(openApiOf(routesForTokens, version)),
)
