/** Cautions, each with its first sentence loud. */
export const CautionLines = ({ cautions }: { cautions: readonly string[] }) =>
  cautions.map((caution) => {
    const [first, ...rest] = caution.split(/(?<=[.?])\s/)
    return (
      <p className="caution" key={caution}>
        <b>{first}</b> {rest.join(' ')}
      </p>
    )
  })
