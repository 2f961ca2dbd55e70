import { thisMoment } from './clock'
import { plainWords, type Words } from '@/core/words/say'
import { database } from '@/data/connect'
import { CollegeRow } from '@/data/models'
import { wordsSchema } from './personSchema'

/** Words that can be read, over the plain ones; what cannot is as if nothing had been said. */
export function wordsFrom(written: string | undefined): Words {
  try {
    return wordsSchema.validateSync({ ...plainWords, ...(JSON.parse(written ?? '{}') as Partial<Words>) }, { strict: true })
  } catch {
    return plainWords
  }
}

const keptMs = 10_000
let kept: { words: Words; until: number } | undefined

/** How this college writes words and units; asked for each page, looked up now and then. Without a database the plain ones. */
export async function collegeWords(now = thisMoment().getTime()): Promise<Words> {
  if (kept && kept.until > now) return kept.words
  try {
    database()
    const words = wordsFrom((await CollegeRow.findOne({ attributes: ['words'] }))?.words)
    kept = { words, until: now + keptMs }
    return words
  } catch {
    return plainWords
  }
}
