/** Why something is done otherwise: one of the usual reasons, or one in words. */
export function Reason({
  usual,
  value,
  onValue,
}: {
  usual: readonly string[]
  value: string
  onValue: (reason: string) => void
}) {
  return (
    <>
      <div className="choice reasons" role="group" aria-label="Reason">
        {usual.map((each) => (
          <button key={each} type="button" aria-pressed={value === each} onClick={() => onValue(each)}>
            {each}
          </button>
        ))}
      </div>
      <input
        className="reason"
        aria-label="Reason in your words"
        placeholder="or in your words"
        maxLength={200}
        value={value}
        onChange={(event) => onValue(event.currentTarget.value)}
      />
    </>
  )
}
