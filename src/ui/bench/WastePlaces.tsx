import { useContext } from 'react'
import { PreparedHere } from './Prepared'

/** Into which container each waste of a step goes, and where it stands in this room. */
export function WastePlaces({ step }: { step: string }) {
  const places = useContext(PreparedHere).waste[step]
  if (!places) return null
  return (
    <ul className="waste-places" aria-label="Where the waste goes">
      {places.map(({ stream, place }) => (
        <li key={stream}>
          <b>{stream}</b>: {place}
        </li>
      ))}
    </ul>
  )
}
