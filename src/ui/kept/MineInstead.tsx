import { Button } from 'react-bootstrap'

/** Beside the words that somebody else was first: one's own change is not lost, and may go over theirs. */
export function MineInstead<T>({ mine, write }: { mine: T | undefined; write: (mine: T) => void }) {
  return (
    mine !== undefined && (
      <Button variant="outline-secondary" size="sm" onClick={() => write(mine)}>
        Write mine over it
      </Button>
    )
  )
}
