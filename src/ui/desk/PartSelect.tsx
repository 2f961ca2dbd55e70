/** What part the substance that is added next will play. */
export function PartSelect<P extends string>({
  parts,
  value,
  onChange,
}: {
  parts: readonly P[]
  value: P
  onChange: (part: P) => void
}) {
  return (
    <label>
      as{' '}
      <select
        className="form-select form-select-sm"
        aria-label="Part of the substance that is added"
        value={value}
        onChange={(event) => onChange(event.currentTarget.value as P)}
      >
        {parts.map((each) => (
          <option key={each}>{each}</option>
        ))}
      </select>
    </label>
  )
}
