/** The end of a form on the pad: what is wrong with it, the press that takes it, and the way out. */
export function PadEnd({
  problem,
  take,
  onTake,
  onClose,
}: {
  problem: string | undefined
  take: string
  onTake: () => void
  onClose: () => void
}) {
  return (
    <>
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      <button type="button" className="go" onClick={onTake}>
        {take}
      </button>
      <button type="button" className="plain" onClick={onClose}>
        Not now
      </button>
    </>
  )
}
