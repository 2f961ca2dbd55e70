'use client'

import { useRouter } from 'next/navigation'
import { useEffect } from 'react'
import { writeNumber } from '@/core/quantity/write'
import { State } from '../figures/State'
import { clockTime, longDay } from '../time'

interface Props {
  view: {
    ready: { database: string; tables: string; disk: string; ok: boolean }
    program: string
    tables: string
    node: string
    database: string
    cluster: { name: string; servers: number; state: string } | null
    appOnly: boolean
    since: string
    freeBytes: number | null
    backups: { name: string; bytes: number; at: string }[]
    nightly: { at: string; ok: boolean; words: string } | null
    nightlyAt: string | null
    open: number
    pace: { lastMinute: number; busiest: number }
    signed: { runs: number; at: string | null } | null
  }
  zone: string
}

/** How often what is shown is read anew, ms. */
const everyMs = 30_000

const size = (bytes: number) =>
  bytes >= 1e9
    ? `${writeNumber(bytes / 1e9, 1)} GB`
    : bytes >= 1e6
      ? `${writeNumber(bytes / 1e6, 1)} MB`
      : `${writeNumber(bytes / 1e3, 0)} kB`

type Line = [what: string, value: React.ReactNode, state?: React.ReactNode]

/** Where this application's database stands in its cluster. */
const clusterLine = ({ name, servers, state }: NonNullable<Props['view']['cluster']>): Line => [
  'cluster',
  `at ${name}, one of ${servers} ${servers === 1 ? 'server' : 'servers'} that see each other`,
  <State key="s" level={state === 'Synced' && servers > 2 ? 'good' : 'doubt'}>
    {servers < 3 ? 'one more loss stops it' : state}
  </State>,
]

/** What the service that keeps the data does besides: it signs logs, and makes backups. */
function kept({ signed, nightly, nightlyAt }: Props['view'], when: (at: string) => string): Line[] {
  return [
    [
      'logs signed',
      signed === null ? 'by nobody' : `${signed.runs} runs, with a key outside the database`,
      signed === null ? (
        <State key="s" level="doubt">
          what the owner of the database changes is not found
        </State>
      ) : signed.at ? (
        `the last ${when(signed.at)}; ./mozle verify proves them`
      ) : (
        ''
      ),
    ],
    [
      'by night',
      nightlyAt === null ? 'no backup is made' : `a backup at ${nightlyAt}`,
      nightlyAt === null ? (
        <State key="s" level="doubt">
          set MOZLE_BACKUP_AT
        </State>
      ) : nightly === null ? (
        'none was made yet'
      ) : (
        <State key="s" level={nightly.ok ? 'good' : 'danger'}>
          {nightly.ok ? `made ${when(nightly.at)}` : `failed ${when(nightly.at)}: ${nightly.words}`}
        </State>
      ),
    ],
  ]
}

/** How the service stands, for its administrator. Read anew every half minute while it is being looked at. */
export function Service({ view, zone }: Props) {
  const router = useRouter()
  useEffect(() => {
    const timer = setInterval(() => {
      if (!document.hidden) router.refresh()
    }, everyMs)
    return () => clearInterval(timer)
  }, [router])
  const { ready, backups, pace, freeBytes } = view
  const when = (at: string) => `${longDay(at, zone)}, ${clockTime(at, zone)}`
  const lines: Line[] = [
    [
      'database',
      ready.database,
      <State key="s" level={ready.database === 'answers' ? 'good' : 'danger'}>
        {view.database}
      </State>,
    ],
    [
      'its tables',
      ready.tables,
      <State key="s" level={ready.tables === 'as this program needs them' ? 'good' : 'danger'}>
        {view.tables}
      </State>,
    ],
    [
      'disk',
      freeBytes === null ? 'nobody has said where the data is' : `${size(freeBytes)} free`,
      <State key="s" level={ready.disk === 'is nearly full' ? 'danger' : ready.disk === 'has room' ? 'good' : 'open'}>
        {ready.disk}
      </State>,
    ],
    ['program', `Mozle ${view.program}, Node.js ${view.node}`, `running since ${when(view.since)}`],
    ['open now', `${view.open} ${view.open === 1 ? 'board or bench' : 'boards and benches'}`],
    ['written', `${pace.lastMinute} entries in the last minute`, `busiest minute of the hour: ${pace.busiest}`],
    ...(view.cluster === null ? [] : [clusterLine(view.cluster)]),
    ...(view.appOnly ? [] : kept(view, when)),
  ]
  return (
    <>
      <table className="ruled service">
        <tbody>
          {lines.map(([what, value, state]) => (
            <tr key={what}>
              <th scope="row">{what}</th>
              <td>{value}</td>
              <td>{state}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <h2 className="section-title">Backups</h2>
      {view.appOnly ? (
        <p className="quiet">
          This application serves beside others. The service that keeps the data makes backups and signs logs, on its own machine.
        </p>
      ) : backups.length === 0 ? (
        <p className="quiet">None here yet. ./mozle backup makes one while the service runs; by night it does so by itself.</p>
      ) : (
        <div className="board-scroll" tabIndex={0} role="region" aria-label="Backups">
          <table className="ruled service">
            <thead>
              <tr>
                <th scope="col">file</th>
                <th scope="col">made</th>
                <th scope="col" className="n">
                  size
                </th>
              </tr>
            </thead>
            <tbody>
              {backups.map(({ name, bytes, at }) => (
                <tr key={name}>
                  <th scope="row" className="fig">
                    {name}
                  </th>
                  <td className="fig">{when(at)}</td>
                  <td className="n fig">{size(bytes)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {!view.appOnly && (
        <p className="quiet">
          A backup holds the keys of the service. It proves itself by ./mozle verify FILE, which reads it in and compares.
        </p>
      )}
    </>
  )
}
