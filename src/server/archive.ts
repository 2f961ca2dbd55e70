import { thisMoment } from './clock'
import { createHash } from 'node:crypto'
import { strToU8, zipSync } from 'fflate'
import { resultsOf } from '@/core/classroom/classResults'
import { foldClass } from '@/core/classroom/foldClass'
import { computation, releasedOf } from '@/core/classroom/released'
import { crateMetadata, metadataPath, type CrateFile } from '@/core/format/archive/crate'
import { reportHtml } from '@/core/format/archive/reportHtml'
import type { SessionFile } from '@/core/format/archive/sessionFile'
import { writeEntriesFile } from '@/core/format/entriesFile'
import { figuresCsv } from '@/core/format/figuresCsv'
import { logCsv } from '@/core/format/logCsv'
import { writePlanFile } from '@/core/format/planFile'
import { resultsCsv } from '@/core/format/resultsCsv'
import { CollegeRow, InstrumentFile } from '@/data/models'
import { dayIn } from './day'
import { proofOf, tiesOf } from './proofOf'
import { sessionOfResults } from './releases'
import { viewSession } from './sessions'

const json = (value: unknown) => `${JSON.stringify(value, null, 2)}\n`

/** A file name of letters, digits and what joins them. */
const safe = (name: string) => name.replace(/[^A-Za-z0-9._-]+/g, '-')

/** A session whole, as a zip of an RO-Crate: plan, logs, figures, tables, files of instruments, a report of each run, and the checksum of every file. */
export async function archiveOf(id: string, now = thisMoment()): Promise<{ name: string; bytes: Uint8Array }> {
  const view = await viewSession(id, false)
  const { plan, title, section, startsAt, endsAt, room, zone, revision } = view
  const folded = foldClass(plan, view.runs)
  const results = resultsOf(plan, folded)
  const files: Omit<CrateFile, 'sha256'>[] = []
  const add = (path: string, name: string, type: string, content: string) => files.push({ path, name, type, content })
  const fileOf = (bench: number) => `runs/bench-${String(bench).padStart(2, '0')}.json`
  const session: SessionFile = {
    format: 'mozle-session',
    version: 1,
    ...{ title, section, startsAt, endsAt, room, zone, revision: revision.number },
    runs: view.runs.map(({ id: run, bench, members, scale, before }) => ({
      ...{ id: run, bench, members, scale },
      file: fileOf(bench),
      before: before.map((each) => ({ title: each.title, fraction: each.fraction })),
    })),
  }
  add('plan.json', 'The plan of this session', 'application/json', writePlanFile(plan))
  add('session.json', 'The session and its runs', 'application/json', json(session))
  for (const { bench, scale, entries } of view.runs)
    add(fileOf(bench), `Log of bench ${bench}`, 'application/json', writeEntriesFile(scale, entries))
  add('figures.json', 'What came out, by the computation of this archive', 'application/json', json(releasedOf(results)))
  add('results.csv', 'Results, a row each', 'text/csv', resultsCsv(results.rows))
  add('figures.csv', 'Every figure, one unit a column', 'text/csv', figuresCsv(folded))
  add('log.csv', 'Every entry', 'text/csv', logCsv(folded, await tiesOf(view.runs.map(({ id: run }) => run))))
  const proof = await proofOf(view.runs.map(({ id: run }) => run))
  if (proof)
    add(
      'log.proof.json',
      'Every entry as it was written, tied to the one before, with signed heads',
      'application/json',
      json(proof),
    )
  const when = dayIn(zone, new Date(startsAt))
  for (const each of folded)
    add(
      `reports/bench-${String(each.run.bench).padStart(2, '0')}.html`,
      `Report of bench ${each.run.bench}`,
      'text/html',
      reportHtml(each, { title, section, when, revision: revision.number, computation }),
    )
  const instruments = await InstrumentFile.findAll({ where: { session: sessionOfResults(view) }, order: [['id', 'ASC']] })
  instruments.forEach(({ name, content, reading }, index) => {
    const path = `spectra/${String(index + 1).padStart(3, '0')}-${safe(name)}`
    add(path, name, name.endsWith('.csv') ? 'text/csv' : 'chemical/x-jcamp-dx', content)
    if (reading !== '{}') add(`${path}.reading.json`, `What was said of ${name}`, 'application/json', reading)
  })
  const sums = files.map((file) => ({ ...file, sha256: createHash('sha256').update(file.content).digest('hex') }))
  const college = (await CollegeRow.findOne())?.title ?? ''
  const metadata = crateMetadata(
    {
      name: `${title}, ${section}, ${when}`,
      description: `A lab session with ${view.runs.length} runs: plan, logs, results, reports.`,
      at: now.toISOString(),
      college,
      computation,
    },
    sums,
  )
  const zipped = zipSync(
    Object.fromEntries([
      [metadataPath, strToU8(metadata)],
      ...sums.map(({ path, content }) => [path, strToU8(content)] as const),
    ]),
    { mtime: now },
  )
  return { name: `${safe(`${title} ${section} ${when}`).toLowerCase()}.crate.zip`, bytes: zipped }
}
