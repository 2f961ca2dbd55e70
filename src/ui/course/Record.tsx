import type { DeedView } from '@/views/people'
import { Link } from '../page/Link'
import { clockTime, longDay } from '../time'

/** What people did: who, when, what, from where; the latest first. Nobody changes it. */
export function Record({ deeds, zone, older, later }: { deeds: DeedView[]; zone: string; older: boolean; later: boolean }) {
  return (
    <section aria-labelledby="record">
      <h2 className="section-title" id="record">
        What was done <small>written as it happens, never changed</small>
      </h2>
      {deeds.length === 0 && <p className="quiet">Nothing yet.</p>}
      <div className="record-scroll" tabIndex={0} role="region" aria-label="The record as a table">
        <table className="ruled record">
          <thead>
            <tr>
              <th scope="col">when</th>
              <th scope="col">who</th>
              <th scope="col">what</th>
              <th scope="col">course</th>
              <th scope="col">from</th>
              <th scope="col">about</th>
            </tr>
          </thead>
          <tbody>
            {deeds.map(({ id, at, who, course, what, about, from }) => (
              <tr key={id}>
                <td className="fig">
                  {longDay(at, zone)}, {clockTime(at, zone)}
                </td>
                <td>{who ?? '–'}</td>
                <td>{what}</td>
                <td>{course ?? '–'}</td>
                <td className="fig">{from}</td>
                <td className="fig about">{about}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <nav className="pages" aria-label="Pages of the record">
        {later && <Link href="/college">Latest</Link>}
        {older && <Link href={`/college?before=${deeds.at(-1)!.id}`}>Earlier</Link>}
      </nav>
    </section>
  )
}
