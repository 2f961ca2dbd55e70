'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { Button } from 'react-bootstrap'
import { call } from '../call'
import { State } from '../figures/State'
import { clockTime, longDay } from '../time'

interface ReleaseShown {
  id: string
  at: string
  by: string
  version: string
  changed: { bench: number; what: string; before: string; now: string }[]
}

/** Results that were released stay as they were; what would be otherwise now stands beside them. */
export function Release({
  session,
  releases,
  version,
  zone,
  may,
  any,
}: {
  session: string
  releases: ReleaseShown[]
  version: string
  zone: string
  may: boolean
  /** Whether there is anything to release. */
  any: boolean
}) {
  const router = useRouter()
  const [problem, setProblem] = useState<string>()
  const [busy, setBusy] = useState(false)
  const [last] = releases
  const stale = last && (last.changed.length > 0 || last.version !== version)
  if (!last && !may) return null
  const release = async () => {
    setBusy(true)
    setProblem(undefined)
    try {
      await call(`/api/sessions/${session}/release`, 'POST')
      router.refresh()
    } catch (error) {
      setProblem((error as Error).message)
    }
    setBusy(false)
  }
  return (
    <section className="release" aria-label="Released results">
      {last ? (
        <>
          <p>
            <State level={stale ? 'doubt' : 'good'}>
              Released {longDay(last.at, zone)}, {clockTime(last.at, zone)} by {last.by}, computation {last.version}
              {last.changed.length === 0
                ? '. Nothing has changed since.'
                : ': they stay as they were. Now it would be otherwise:'}
              {last.version !== version && ` The computation is ${version} now.`}
            </State>
          </p>
          {last.changed.length > 0 && (
            <table className="ruled">
              <thead>
                <tr>
                  <th scope="col">bench</th>
                  <th scope="col">what</th>
                  <th scope="col">as released</th>
                  <th scope="col">now</th>
                </tr>
              </thead>
              <tbody>
                {last.changed.map(({ bench, what, before, now }) => (
                  <tr key={`${bench} ${what}`}>
                    <th scope="row" className="number">
                      {bench}
                    </th>
                    <td>{what}</td>
                    <td className="fig">{before}</td>
                    <td className="fig">{now}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </>
      ) : (
        <p className="quiet">These results are not released: they follow every entry.</p>
      )}
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      {may && any && (!last || stale) && (
        <Button className="no-print" variant="quiet" disabled={busy} onClick={() => void release()}>
          {last ? 'Release them as they are now' : 'Release these results'}
        </Button>
      )}
      {releases.length > 1 && (
        <small className="quiet">
          {' '}
          {releases.length} releases; the one before of {longDay(releases[1]!.at, zone)}.
        </small>
      )}
    </section>
  )
}
