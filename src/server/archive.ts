import { createHash } from 'node:crypto'
import { strToU8, Zip, ZipDeflate } from 'fflate'
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
import { putBack } from '@/data/beside'
import { CollegeRow, InstrumentFile } from '@/data/models'
import { thisMoment } from './clock'
import { dayIn } from './day'
import { proofOf, tiesOf } from './proofOf'
import { sessionOfResults } from './releases'
import { viewSession } from './sessions'

const json = (value: unknown) => `${JSON.stringify(value, null, 2)}\n`

/** A file name of letters, digits and what joins them. */
const safe = (name: string) => name.replace(/[^A-Za-z0-9._-]+/g, '-')

/** Where an archive goes to. */
export interface ArchiveSink {
  /** Hears once, before the first byte: what the archive is called, and how many files it will hold. */
  begins: (head: { name: string; files: number }) => void
  /** Takes the next bytes, and says when it can take more. */
  write: (bytes: Uint8Array) => Promise<void> | void
}

/**
 * Writes a session whole, as a zip of an RO-Crate: plan, logs, figures, tables, files of instruments, a report of each run, and the checksum of every file. One file after the other is made, packed and written, so
 * that a large session takes no more memory than its largest file; the list of all with their checksums comes last.
 */
export async function writeArchive(id: string, sink: ArchiveSink, now = thisMoment()): Promise<void> {
  const view = await viewSession(id, false)
  await putBack(
    view.runs.flatMap(({ entries }) => entries),
    { pictures: true },
  )
  const { plan, title, section, startsAt, endsAt, room, zone, revision } = view
  const folded = foldClass(plan, view.runs)
  const results = resultsOf(plan, folded)
  const proof = await proofOf(view.runs.map(({ id: run }) => run))
  const instruments = await InstrumentFile.findAll({
    where: { session: sessionOfResults(view) },
    attributes: ['id', 'name', 'reading'],
    order: [['id', 'ASC']],
  })
  const when = dayIn(zone, new Date(startsAt))
  const said = instruments.filter(({ reading }) => reading !== '{}').length
  sink.begins({
    name: `${safe(`${title} ${section} ${when}`).toLowerCase()}.crate.zip`,
    files: 7 + (proof ? 1 : 0) + 2 * view.runs.length + instruments.length + said,
  })

  const packed: Uint8Array[] = []
  const zip = new Zip((error, bytes) => {
    if (error) throw error
    packed.push(bytes)
  })
  const written = async () => {
    for (const bytes of packed.splice(0)) await sink.write(bytes)
  }
  const put = async (path: string, content: string) => {
    const file = new ZipDeflate(path)
    file.mtime = now
    zip.add(file)
    file.push(strToU8(content), true)
    await written()
  }
  const files: CrateFile[] = []
  const add = async (path: string, name: string, type: string, content: string) => {
    const sha256 = createHash('sha256').update(content).digest('hex')
    files.push({ path, name, type, bytes: Buffer.byteLength(content), sha256 })
    await put(path, content)
  }
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
  await add('plan.json', 'The plan of this session', 'application/json', writePlanFile(plan))
  await add('session.json', 'The session and its runs', 'application/json', json(session))
  for (const { bench, scale, entries } of view.runs)
    await add(fileOf(bench), `Log of bench ${bench}`, 'application/json', writeEntriesFile(scale, entries))
  await add('figures.json', 'What came out, by the computation of this archive', 'application/json', json(releasedOf(results)))
  await add('results.csv', 'Results, a row each', 'text/csv', resultsCsv(results.rows))
  await add('figures.csv', 'Every figure, one unit a column', 'text/csv', figuresCsv(folded))
  await add('log.csv', 'Every entry', 'text/csv', logCsv(folded, await tiesOf(view.runs.map(({ id: run }) => run))))
  if (proof)
    await add(
      'log.proof.json',
      'Every entry as it was written, tied to the one before, with signed heads',
      'application/json',
      json(proof),
    )
  for (const each of folded)
    await add(
      `reports/bench-${String(each.run.bench).padStart(2, '0')}.html`,
      `Report of bench ${each.run.bench}`,
      'text/html',
      reportHtml(each, { title, section, when, revision: revision.number, computation }),
    )
  for (const [index, { id: file, name, reading }] of instruments.entries()) {
    const { content } = await InstrumentFile.findByPk(file, { attributes: ['content'], rejectOnEmpty: true })
    const path = `spectra/${String(index + 1).padStart(3, '0')}-${safe(name)}`
    await add(path, name, name.endsWith('.csv') ? 'text/csv' : 'chemical/x-jcamp-dx', content)
    if (reading !== '{}') await add(`${path}.reading.json`, `What was said of ${name}`, 'application/json', reading)
  }
  const college = (await CollegeRow.findOne())?.title ?? ''
  const about = {
    name: `${title}, ${section}, ${when}`,
    description: `A lab session with ${view.runs.length} runs: plan, logs, results, reports.`,
    ...{ at: now.toISOString(), college, computation },
  }
  await put(metadataPath, crateMetadata(about, files))
  zip.end()
  await written()
}
