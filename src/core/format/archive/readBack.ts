import { resultsOf } from '../../classroom/classResults'
import { foldClass } from '../../classroom/foldClass'
import { changedSince, releasedOf, type Changed, type Released } from '../../classroom/released'
import { readEntriesFile } from '../entriesFile'
import { readPlanFile } from '../planFile'
import { readSessionFile, type SessionFile } from './sessionFile'

export interface ReadBack {
  session: SessionFile
  released: Released
  /** What the archive says that comes out otherwise now; empty where all figures are the same. */
  changed: Changed[]
}

/**
 * Reads an archive back: plan, session and every log, works the results out anew and compares them with those that stand in it.
 * @throws Error in words, with the file that cannot be used
 */
export function readBack(contentOf: (path: string) => string): ReadBack {
  const of = <T>(path: string, read: (text: string) => T): T => {
    try {
      return read(contentOf(path))
    } catch (error) {
      throw new Error(`${path}: ${(error as Error).message}`, { cause: error })
    }
  }
  const plan = of('plan.json', readPlanFile)
  const session = of('session.json', readSessionFile)
  const runs = session.runs.map((run) => {
    const { scale, entries } = of(run.file, readEntriesFile)
    if (scale !== run.scale) throw new Error(`${run.file}: its scale is ${scale}, and the session says ${run.scale}.`)
    return { ...run, entries }
  })
  const released = releasedOf(resultsOf(plan, foldClass(plan, runs)))
  const kept = of('figures.json', (text) => JSON.parse(text) as Released)
  return { session, released, changed: changedSince(kept, released) }
}
