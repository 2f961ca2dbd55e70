import { rmSync } from 'node:fs'
import path from 'node:path'
import { ulid } from 'ulid'
import { queriesOf } from '@/core/query/queries'
import { editLine } from '@/core/edit/editLine'
import { reactionTable } from '@/core/reaction/reactionTable'
import { searchSubstances, substanceIndex } from '@/core/substance/search'
import { substanceRecords } from '@/reference/records'
import type { Entry } from '@/core/run/entry'
import { foldRun } from '@/core/run/foldRun'
import { connectTo } from '@/data/connect'
import { migrate } from '@/data/migrate'
import { college } from '@/demo/college'
import { build } from '../build'
import { stopAll, stopAllOnSignals } from '../child'
import { secretsOf, startDatabase } from '../database'
import { workFolder } from '../home'
import { clearLeftOver } from '../leftOver'
import { seed } from '../seed'
import { benchAppending } from './appending'
import { report, rounds, timed } from './figures'
import { acetanilide, longPlan } from './longPlan'
import { benchOperations } from './operations'
import { benchPages } from './pages'
import { benchResults } from './results'
import { benchStores } from './stores'

/** A record with names as long as real ones, for a reference larger than the one that ships. */
function invented(at: number) {
  const real = substanceRecords[at % substanceRecords.length]!
  return { ...real, id: `${real.id}-${at}`, name: `${real.name} number ${at}` }
}

/** `mozle bench`: speed figures, each a median of several runs with the size of the work beside it. */
export async function bench(): Promise<void> {
  stopAllOnSignals()
  await clearLeftOver('bench')
  benchResults(report)
  benchStores(report, timed)
  const long = longPlan(30, 40)
  let toggle = false
  report(
    'recalculate the table after a keystroke',
    timed(() => {
      toggle = !toggle
      const read = editLine(long, 'aniline', 'volume', toggle ? '4.00 mL' : '4.10 mL')
      if (read.ok) queriesOf(read.value, reactionTable(read.value))
    }, 200),
    'ms',
    `${long.lines.length} lines, with its queries`,
    `median of ${rounds} × 200`,
  )
  const index = substanceIndex(Array.from({ length: 5000 }, (_, at) => invented(at)))
  const asked = ['acet', 'c7h', 'methyl', 'ol', 'benz', 'number 4999', 'nothing of the kind']
  let next = 0
  report(
    'search the substances',
    timed(() => searchSubstances(index, asked[next++ % asked.length]!), 70),
    'ms',
    `${index.entries.length} substances, by name and formula`,
    `median of ${rounds} × 70`,
  )
  const entries = manyEntries(2000)
  report(
    'fold a run',
    timed(() => foldRun(acetanilide, 1, entries), 20),
    'ms',
    `${entries.length} entries`,
    `median of ${rounds} × 20`,
  )

  benchOperations()

  const folder = workFolder(`bench-${process.pid}`)
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }))
  try {
    const [db, built] = await Promise.all([startDatabase(folder, { durable: true }), build('test')])
    const owner = connectTo(db.ownerUrl)
    await migrate(owner)
    await owner.close()
    const made = await seed(db.ownerUrl)
    process.env.MOZLE_DB_URL = db.appUrl
    await benchAppending(made)
    await benchPages(
      {
        folder: built,
        dbUrl: db.appUrl,
        cookieKey: secretsOf(folder).cookie,
        log: path.join(folder, 'app.log'),
        record: path.join(folder, 'app.process'),
      },
      made,
    )
  } finally {
    await stopAll()
  }
}

function manyEntries(count: number): Entry[] {
  const { entries } = college(new Date(), 'UTC').sessions[0]!.runs[0]!
  return Array.from({ length: count }, (_, index) => ({
    ...entries[index % entries.length]!,
    id: ulid(1_700_000_000_000 + index),
  }))
}
