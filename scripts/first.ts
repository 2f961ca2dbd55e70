import { database } from '@/data/connect'
import { User } from '@/data/models'
import { makeLink } from '@/server/invitations'

/** The link with which a college begins, where nobody is there yet; an older one ends. Undefined where somebody is. */
export async function firstLink(dbUrl: string, address: string): Promise<string | undefined> {
  const before = process.env.MOZLE_DB_URL
  process.env.MOZLE_DB_URL = dbUrl
  database()
  try {
    if ((await User.count()) > 0) return undefined
    return `${address}/first/${await makeLink(null, null)}`
  } finally {
    await database().close()
    // What this process starts next has databases of its own.
    if (before === undefined) delete process.env.MOZLE_DB_URL
    else process.env.MOZLE_DB_URL = before
  }
}
