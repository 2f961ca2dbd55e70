import { createHash } from 'node:crypto'
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { dirname, join, normalize, sep } from 'node:path'
import { strFromU8, unzipSync } from 'fflate'
import { listedIn, metadataPath } from '@/core/format/archive/crate'
import { readBack } from '@/core/format/archive/readBack'
import type { LogProof } from '@/server/proofOf'
import type { Outcome } from './outcome'
import { wrongWithProof } from './proofInArchive'

/** Larger archives than this are none of ours, bytes when unpacked. */
const mostBytes = 500_000_000

/**
 * `mozle import FILE [--into DIR]`: reads an archived session, compares every checksum, works the results out anew from plan and logs and says whether they are the ones that stand in it; with a folder it is unpacked there. Exit code 1 where a file was touched or a figure differs, 2 where it cannot be read.
 */
export function importArchive(args: readonly string[]): Outcome {
  const at = args.indexOf('--into')
  const into = at >= 0 ? args[at + 1] : undefined
  const [file, ...more] = args.filter((_, index) => at < 0 || (index !== at && index !== at + 1))
  if (file === undefined || more.length > 0 || (at >= 0 && into === undefined))
    return { code: 2, out: '', err: 'usage: ./mozle import FILE [--into DIR]\n' }
  try {
    let size = 0
    const files = unzipSync(readFileSync(file), {
      filter: ({ originalSize }) => {
        size += originalSize
        if (size > mostBytes) throw new Error('It unpacks to more than an archive of a session ever holds.')
        return true
      },
    })
    const text = (path: string) => {
      const found = files[path]
      if (!found) throw new Error('it is not in the archive')
      return strFromU8(found)
    }
    const listed = listedIn(text(metadataPath))
    const touched = listed.filter(
      ({ path, sha256 }) => !files[path] || createHash('sha256').update(files[path]).digest('hex') !== sha256,
    )
    const strangers = Object.keys(files).filter((path) => path !== metadataPath && !listed.some((each) => each.path === path))
    const { session, released, changed } = readBack(text)
    const proof = files['log.proof.json'] ? (JSON.parse(text('log.proof.json')) as LogProof) : null
    const unproven =
      proof &&
      wrongWithProof(proof, (run) => {
        const held = session.runs.find(({ id }) => id === run)
        return held && (JSON.parse(text(held.file)) as { entries: { id: string; at: string; kind: string }[] }).entries
      })
    if (into !== undefined) unpack(files, into)
    const lines = [
      `${session.title}, ${session.section}, ${session.startsAt.slice(0, 10)}: ${session.runs.length} runs, plan revision ${session.revision}`,
      touched.length === 0
        ? `${listed.length} files, every checksum holds`
        : `TOUCHED: ${touched.map(({ path }) => path).join(', ')}`,
      ...(strangers.length > 0 ? [`not listed in it: ${strangers.join(', ')}`] : []),
      ...(unproven === null
        ? []
        : unproven.length === 0
          ? [`${proof!.heads.length} logs are the ones that were signed, entry by entry`]
          : [`TOUCHED: ${unproven.join('; ')}`]),
      changed.length === 0
        ? `${released.rows.length} runs worked out anew: every figure is the same`
        : `OTHERWISE: ${changed.map(({ bench, what, before, now }) => `bench ${bench}, ${what}: ${before} in the archive, ${now} now`).join('; ')}`,
      ...(into === undefined
        ? []
        : [
            `unpacked into ${into}; ./mozle calc ${join(into, 'plan.json')} --log ${join(into, session.runs[0]?.file ?? 'runs/')} computes a run`,
          ]),
    ]
    return {
      code: touched.length + strangers.length + changed.length + (unproven?.length ?? 0) > 0 ? 1 : 0,
      out: `${lines.join('\n')}\n`,
      err: '',
    }
  } catch (error) {
    return { code: 2, out: '', err: `${file}: ${(error as Error).message}\n` }
  }
}

/** Writes the files of an archive into a folder, and none beside it. */
function unpack(files: Readonly<Record<string, Uint8Array>>, into: string): void {
  for (const [path, bytes] of Object.entries(files)) {
    const target = normalize(join(into, path))
    if (path.endsWith('/')) continue
    if (!target.startsWith(normalize(into + sep))) throw new Error(`${path} would be written outside ${into}.`)
    mkdirSync(dirname(target), { recursive: true })
    writeFileSync(target, bytes)
  }
}
