import type { Interface } from '@/server/openApi'
import * as archive from './sessions/[id]/archive.zip/route'
import * as course from './courses/route'
import * as groups from './sections/[id]/groups/route'
import * as people from './courses/[id]/people/route'
import * as person from './courses/[id]/people/[user]/route'
import * as results from './sessions/[id]/results/route'
import * as resultsTable from './sessions/[id]/results.csv/route'
import * as revisions from './courses/[id]/revisions/route'
import * as section from './sections/[id]/route'
import * as sections from './courses/[id]/sections/route'
import * as session from './sessions/[id]/route'
import * as sessions from './courses/[id]/sessions/route'
import * as setting from './sessions/route'

/** The routes that the college's other systems may call. */
export const routesForTokens: Interface = {
  '/api/courses': course,
  '/api/courses/{id}/people': people,
  '/api/courses/{id}/people/{user}': person,
  '/api/courses/{id}/sections': sections,
  '/api/sections/{id}': section,
  '/api/sections/{id}/groups': groups,
  '/api/courses/{id}/revisions': revisions,
  '/api/courses/{id}/sessions': sessions,
  '/api/sessions': setting,
  '/api/sessions/{id}': session,
  '/api/sessions/{id}/results': results,
  '/api/sessions/{id}/results.csv': resultsTable,
  '/api/sessions/{id}/archive.zip': archive,
}
