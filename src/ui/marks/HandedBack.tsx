import { criteria, criterionKeys, type Scheme } from '@/core/marking/scheme'
import { totalOf, type Mark } from '@/core/marking/mark'

/** What was handed back to a group, to read and print. */
export function HandedBack({ scheme, mark }: { scheme: Scheme; mark: Mark }) {
  const { points, of } = totalOf(mark, scheme)
  return (
    <section className="handed-back" aria-label="Handed back">
      <h2 className="section-title">
        Handed back: <b className="fig">{points}</b> of {of}
      </h2>
      <table className="ruled">
        <tbody>
          {criterionKeys
            .filter((key) => scheme.points[key] > 0)
            .map((key) => (
              <tr key={key}>
                <th scope="row">{criteria[key]}</th>
                <td className="n fig">
                  {mark.points[key] ?? '–'} of {scheme.points[key]}
                </td>
                <td>{mark.comments[key]}</td>
              </tr>
            ))}
        </tbody>
      </table>
      {mark.comment && <p>{mark.comment}</p>}
    </section>
  )
}
