import { substanceRecords } from '@/reference/records'
import { route } from '@/server/route'

/** Usual names with their systematic ones, for those who want to read the latter. */
export const GET = route({ need: { open: 'names of chemistry, the same for everybody' } }, async () => ({
  names: substanceRecords.flatMap(({ name, systematicName }) => (systematicName ? [[name, systematicName]] : [])),
}))
