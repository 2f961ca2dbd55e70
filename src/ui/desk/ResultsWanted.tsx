import { memo, useState } from 'react'
import { lineName } from '@/core/plan/lineName'
import { lineOfSample, productSample, samplesOf, type Plan } from '@/core/plan/plan'
import { quantities } from '@/core/result/quantities/registry'
import { resultName } from '@/core/result/outcome'
import { wantedResults } from '@/core/result/runResults'
import { capital } from '@/core/words/capital'

interface Props {
  plan: Plan
  /** Absent where the plan is only read. */
  onChange?: ((plan: Plan, label: string) => void) | undefined
}

type Want = NonNullable<Plan['wants']>[number]

/** What is to come out of the work: the results that the plan wants, its samples and what they are made of. */
export const ResultsWanted = memo(function ResultsWanted({ plan, onChange }: Props) {
  const { wants: _wants, ...silent } = plan
  const all = wantedResults(silent)
  const chosen = new Set(wantedResults(plan).map(({ key }) => key))
  const samples = samplesOf(plan)
  const put = (wants: Want[] | undefined, label: string) => {
    const { wants: _before, ...rest } = plan
    onChange?.(wants ? { ...rest, wants } : rest, label)
  }
  const asWants = (keys: ReadonlySet<string>): Want[] =>
    all.flatMap(({ key, quantity, sample }) => (keys.has(key) ? [{ quantity: quantity.id, ...(sample ? { sample } : {}) }] : []))
  const missing = (plan.wants ?? []).filter(
    ({ quantity, sample }) => !all.some((each) => each.quantity.id === quantity && (!sample || each.sample === sample)),
  )
  const tick = (key: string, on: boolean, words: string) => {
    const keys = new Set(chosen)
    if (on) keys.add(key)
    else keys.delete(key)
    put(
      keys.size === all.length && missing.length === 0 ? undefined : [...asWants(keys), ...missing],
      `${words} ${on ? 'wanted' : 'not wanted'}`,
    )
  }
  return (
    <section aria-label="Results" className="results-wanted">
      <h2 className="section-title">
        Results <small>{chosen.size + missing.length === 0 ? 'none is wanted' : 'what is to come out'}</small>
      </h2>
      <ul className="checks">
        {all.map(({ key, quantity, sample, of, from }) => {
          const words = resultName(quantity.id, of)
          return (
            <li key={key}>
              <label className="check">
                <input
                  type="checkbox"
                  disabled={!onChange}
                  checked={chosen.has(key)}
                  onChange={(event) => tick(key, event.currentTarget.checked, words)}
                />
                <span>
                  {words}
                  <small className="quiet">
                    {samples.includes(sample) ? `, ${sample}` : ''}
                    {from && `, from ${from}`}
                  </small>
                </span>
              </label>
            </li>
          )
        })}
        {missing.map((want) => (
          <li key={`${want.quantity} ${want.sample ?? ''}`}>
            <label className="check">
              <input
                type="checkbox"
                disabled={!onChange}
                checked
                onChange={() =>
                  put(
                    (plan.wants ?? []).filter((each) => each !== want),
                    `${want.quantity} not wanted`,
                  )
                }
              />
              {capital(want.quantity)}
              {want.sample && ` of ${want.sample}`}
              <small className="doubt"> no step measures it yet</small>
            </label>
          </li>
        ))}
      </ul>
      {onChange && (
        <>
          <WantMore samples={samples} onWant={(want) => put([...asWants(chosen), ...missing, want], `${want.quantity} wanted`)} />
          {samples.length > 0 && <Samples plan={plan} samples={samples} onChange={onChange} />}
        </>
      )}
    </section>
  )
})

function WantMore({ samples, onWant }: { samples: readonly string[]; onWant: (want: Want) => void }) {
  const [sample, setSample] = useState('')
  return (
    <p className="want-more no-print">
      <label>
        Want also{' '}
        <select
          className="form-select form-select-sm"
          aria-label="A further result that is wanted"
          value=""
          onChange={(event) => onWant({ quantity: event.currentTarget.value, ...(sample ? { sample } : {}) })}
        >
          <option value="">choose a result</option>
          {quantities.map(({ id }) => (
            <option key={id}>{id}</option>
          ))}
        </select>
      </label>{' '}
      <label>
        of{' '}
        <select
          className="form-select form-select-sm"
          aria-label="Sample of the further result"
          value={sample}
          onChange={(event) => setSample(event.currentTarget.value)}
        >
          <option value="">any sample</option>
          {samples.map((each) => (
            <option key={each}>{each}</option>
          ))}
        </select>
      </label>
    </p>
  )
}

/** The samples of the plan: which is the product, and of which line each is made. */
function Samples({
  plan,
  samples,
  onChange,
}: {
  plan: Plan
  samples: readonly string[]
  onChange: NonNullable<Props['onChange']>
}) {
  const product = productSample(plan)
  return (
    <table className="ruled samples no-print" aria-label="Samples">
      <thead>
        <tr>
          <th scope="col">sample</th>
          <th scope="col">made of</th>
          <th scope="col">the product</th>
        </tr>
      </thead>
      <tbody>
        {samples.map((name) => (
          <tr key={name}>
            <th scope="row">{name}</th>
            <td>
              <select
                className="form-select form-select-sm"
                aria-label={`What ${name} is made of`}
                value={lineOfSample(plan, name) ?? ''}
                onChange={(event) => {
                  const others = (plan.samples ?? []).filter((each) => each.name !== name)
                  onChange(
                    { ...plan, samples: [...others, { name, line: event.currentTarget.value }] },
                    `what ${name} is made of`,
                  )
                }}
              >
                {lineOfSample(plan, name) === undefined && <option value="">not said</option>}
                {plan.lines.map((line) => (
                  <option key={line.id} value={line.id}>
                    {lineName(plan, line)}
                  </option>
                ))}
              </select>
            </td>
            <td>
              <input
                type="radio"
                name="product-sample"
                aria-label={`${name} is the product`}
                checked={name === product}
                onChange={() => onChange({ ...plan, product: name }, `${name} is the product`)}
              />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
