import type { Metadata } from 'next'
import { Link } from '@/ui/page/Link'
import { readNumber } from '@/core/quantity/readQuantity'
import { writeNumber } from '@/core/quantity/write'
import { findRuns } from '@/server/findRuns'
import { visitor } from '@/server/page'
import { Frame } from '@/ui/frame/Frame'
import { longDay } from '@/ui/time'

export const metadata: Metadata = { title: 'Find a run' }

const fields = [
  ['plan', 'preparation'],
  ['substance', 'substance, or its formula'],
  ['group', 'who was in it'],
  ['year', 'year'],
  ['from', 'result from, %'],
  ['to', 'to, %'],
] as const

/** Finds runs by preparation, substance, group, year and result. */
export default async function FindPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>
}) {
  const { actor, course, courses, frame } = await visitor('/class/find', 'run.read')
  const asked = await searchParams
  const text = (key: string) => (typeof asked[key] === 'string' ? asked[key].slice(0, 100) : '')
  const number = (key: string) => {
    const read = readNumber(text(key))
    return text(key).trim() !== '' && read.ok ? read.value.value : null
  }
  const wrong = [
    ...(['from', 'to'] as const)
      .filter((key) => text(key).trim() !== '' && number(key) === null)
      .map((key) => `“${text(key)}” is no per cent.`),
    ...(text('year').trim() !== '' && !/^\d{4}$/.test(text('year').trim()) ? [`“${text('year')}” is no year: 2026 is one.`] : []),
  ]
  const any = fields.some(([key]) => text(key).trim() !== '')
  const { found, more } =
    any && wrong.length === 0
      ? await findRuns(course.id, {
          ...{ plan: text('plan'), substance: text('substance'), group: text('group'), year: text('year').trim() },
          from: number('from'),
          to: number('to'),
        })
      : { found: [], more: false }
  return (
    <Frame place="class" who={actor.name} aside={course.title} course={course.id} courses={courses} {...frame}>
      <main className="page-only class find">
        <div className="head">
          <h1>Find a run</h1>
          <div className="actions">
            <Link className="btn btn-quiet" href="/class">
              All sessions
            </Link>
          </div>
        </div>
        <form className="find-form" role="search">
          {fields.map(([key, label]) => (
            <label key={key}>
              {label}
              <input className="form-control" name={key} defaultValue={text(key)} maxLength={100} />
            </label>
          ))}
          <button className="btn btn-primary">Find</button>
        </form>
        {wrong.map((each) => (
          <p key={each} className="problem" role="alert">
            {each}
          </p>
        ))}
        {any && wrong.length === 0 && (
          <p role="status" className="quiet">
            {found.length === 0
              ? 'No run fits. Ask for less.'
              : more
                ? `The latest ${found.length}; there are more. Ask for less of them.`
                : found.length === 1
                  ? 'One run.'
                  : `${found.length} runs.`}
          </p>
        )}
        {!any && <p>Fill in what you know of it; what stays empty asks for nothing.</p>}
        {found.length > 0 && (
          <div className="board-scroll" tabIndex={0} role="region" aria-label="Runs that fit">
            <table className="ruled">
              <thead>
                <tr>
                  <th scope="col">preparation</th>
                  <th scope="col">when</th>
                  <th scope="col">bench</th>
                  <th scope="col">group</th>
                  <th scope="col" className="n">
                    result
                  </th>
                  <th scope="col">reading</th>
                </tr>
              </thead>
              <tbody>
                {found.map(({ run, session, title, section, at, bench, members, result, reading }) => (
                  <tr key={run}>
                    <td>
                      <Link href={`/class/${session}/${run}`}>{title}</Link>
                    </td>
                    <td>
                      {longDay(at, course.zone)} {at.slice(0, 4)}, {section}
                    </td>
                    <td className="n">{bench}</td>
                    <td>{members}</td>
                    <td className="n fig">{result ? `${result.kind} ${writeNumber(result.percent, 0)} %` : '–'}</td>
                    <td>{reading}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        )}
      </main>
    </Frame>
  )
}
