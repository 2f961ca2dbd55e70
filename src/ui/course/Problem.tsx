/** What went wrong, said beside what was pressed. */
export const Problem = ({ words }: { words: string | undefined }) =>
  words ? (
    <p className="problem" role="alert">
      {words}
    </p>
  ) : null
