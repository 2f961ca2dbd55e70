'use client'

import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useState } from 'react'
import { Form } from 'react-bootstrap'
import { writeNumber } from '@/core/quantity/write'
import { bandsFor, bandSource, lookFor, type AbsorbingGroup } from '@/core/traces/bands'
import { readTrace } from '@/core/traces/readTrace'
import { withSaid, type Named, type SaidAnew } from '@/core/traces/report'
import type { Trace } from '@/core/traces/trace'
import type { FileView } from '@/views/files'
import { call } from '../call'
import { State } from '../figures/State'
import { PeakTable } from './PeakTable'
import { PrintedReport } from './PrintedReport'
import { ShiftTable } from './ShiftTable'
import { TracePicture } from './TracePicture'
import { useIntegration } from './useIntegration'

/** A file as it is opened: who added it stands in the list. */
export type FileShown = Omit<FileView, 'addedBy' | 'addedAt'>

export interface Around {
  runs: { id: string; bench: number; members: string }[]
  names: string[]
  product: string
  groups: { product: AbsorbingGroup[]; starting: AbsorbingGroup[] }
  /** The step that sends a sample away, by which a purity is written; null where the plan has none. */
  step: string | null
  /** Says whose a file is, and writes a purity for a bench. */
  may: boolean
  /** Says what its peaks and shifts are; the name under which it is shown at once. */
  says: string | null
}

/** One file of an instrument, open: its picture, its peaks or bands, whose it is. */
export function FileOpen({ file, around }: { file: FileShown; around: Around }) {
  const router = useRouter()
  const { runs, names, product, groups, step, may, says } = around
  const [trace, setTrace] = useState<Trace | null>(null)
  const [problem, setProblem] = useState<string>()
  const [said, setSaid] = useState<string>()
  const [reading, setReading] = useState(file.reading)
  useEffect(() => {
    let gone = false
    fetch(`/api/files/${file.id}/content`)
      .then((answer) => answer.text())
      .then((text) => {
        if (gone) return
        const read = readTrace(text, file.name)
        if (read.ok) setTrace(read.value)
        else setProblem(read.problem)
      })
      .catch(() => !gone && setProblem('The file cannot be reached: is the network there?'))
    return () => {
      gone = true
    }
  }, [file.id, file.name])
  const { found, problem: failed } = useIntegration(trace)
  const bands = useMemo(
    () => (trace?.kind === 'infrared' && !trace.peaksOnly ? lookFor(trace, bandsFor(groups.product, groups.starting)) : []),
    [trace, groups],
  )
  const peaks =
    reading.typed ??
    (trace?.peaksOnly && trace.kind === 'chromatogram'
      ? trace.x.map((at, index) => ({ at, area: trace.y[index]! }))
      : (found?.peaks ?? []))
  const change = async (body: object) => {
    setProblem(undefined)
    try {
      await call(`/api/files/${file.id}`, 'PUT', body)
      router.refresh()
    } catch (error) {
      setProblem((error as Error).message)
    }
  }
  const say = (part: SaidAnew) => {
    setReading(withSaid(reading, part, says ?? ''))
    void change({ reading: part })
  }
  const by = (part: keyof SaidAnew) => reading.by?.[part] && <p className="quiet">Said by {reading.by[part]}.</p>
  const purity = async (percent: number) => {
    setProblem(undefined)
    try {
      await call(`/api/runs/${file.run}/findings`, 'POST', {
        step,
        kind: 'purity',
        body: { percent, decimals: 1, by: 'gas chromatography, area %' },
      })
      setSaid(`Written for bench ${runs.find(({ id }) => id === file.run)?.bench}: ${percent} %.`)
      router.refresh()
    } catch (error) {
      setProblem((error as Error).message)
    }
  }
  return (
    <section className="file-open" aria-label={file.name}>
      <div className="whose">
        <label hidden={!may}>
          whose it is
          <Form.Select value={file.run ?? ''} onChange={(event) => void change({ run: event.currentTarget.value || null })}>
            <option value="">nobody has said</option>
            {runs.map(({ id, bench, members }) => (
              <option key={id} value={id}>
                {bench}, {members}
              </option>
            ))}
          </Form.Select>
        </label>
        <span>
          {file.slot && <>slot {file.slot}; </>}
          {file.kind}
          {file.title && `, “${file.title}”`}
          {file.simulated && (
            <>
              {' '}
              <State level="doubt">simulated: no instrument has measured this</State>
            </>
          )}
        </span>
        <a href={`/api/files/${file.id}/content`}>the file as it came</a>
      </div>
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      {said && <p role="status">{said}</p>}
      {!trace && !problem && <p className="quiet">The file is being read.</p>}
      {trace && (
        <TracePicture
          key={file.id}
          trace={trace}
          integrated={reading.typed ? null : found}
          marks={bands.map(({ low, high, found: is, wanted }) => ({
            low,
            high,
            level: is === (wanted === 'there') ? 'good' : 'doubt',
          }))}
        />
      )}
      {failed && <p className="problem">{failed}</p>}
      {trace?.kind === 'chromatogram' && (
        <>
          {peaks.length > 0 ? (
            <PeakTable
              key={`${file.id} ${peaks.length}`}
              file={file.name}
              peaks={peaks}
              named={reading.peaks ?? []}
              names={names}
              product={product}
              mayName={says !== null}
              onNamed={(named: Named[]) => say({ peaks: named })}
              onPurity={may && file.run && step ? (percent) => void purity(percent) : null}
            />
          ) : (
            (found || trace.peaksOnly) && <p>No peak stands out of the noise.</p>
          )}
          {by('peaks')}
          {by('typed')}
          {says !== null && !trace.peaksOnly && (
            <PrintedReport
              label="Take the table of a printed report instead"
              onTable={(typed) => say({ typed, peaks: null })}
              onBack={reading.typed ? () => say({ typed: null, peaks: null }) : null}
            />
          )}
        </>
      )}
      {trace?.kind === 'infrared' && bands.length > 0 && (
        <table className="ruled bands">
          <thead>
            <tr>
              <th scope="col">group</th>
              <th scope="col">bond</th>
              <th scope="col" className="n">
                looked for, cm⁻¹
              </th>
              <th scope="col" className="n">
                strongest there
              </th>
              <th scope="col">reading</th>
            </tr>
          </thead>
          <tbody>
            {bands.map(({ group, bond, low, high, wanted, strength, atCm, found: is }) => (
              <tr key={`${group} ${bond}`}>
                <th scope="row">{group}</th>
                <td>{bond}</td>
                <td className="n fig">
                  {low}–{high}
                </td>
                <td className="n fig">
                  {is && atCm !== null ? `${writeNumber(atCm, 0)}, ${writeNumber(100 * strength, 0)} % of the strongest` : '–'}
                </td>
                <td>
                  <State level={is === (wanted === 'there') ? 'good' : 'doubt'}>
                    {wanted === 'there'
                      ? is
                        ? 'there, as it should be'
                        : 'should be there and is not seen'
                      : is
                        ? 'should have gone: starting material left?'
                        : 'gone, as it should be'}
                  </State>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {trace?.kind === 'infrared' && bands.length > 0 && (
        <p className="quiet">Ranges by {bandSource}. A band is consistent with a group; it does not prove it.</p>
      )}
      {trace?.kind === 'NMR' && (
        <>
          <ShiftTable key={file.id} shifts={reading.shifts ?? []} may={says !== null} onShifts={(shifts) => say({ shifts })} />
          {by('shifts')}
        </>
      )}
    </section>
  )
}
