import { longDay } from '../time'

/** The day by which something must be there, `2026-11-26`; one that has passed is said as such. */
export function WantedBy({ day, today }: { day: string; today: string }) {
  const written = longDay(`${day}T12:00:00Z`, 'UTC')
  return day < today ? (
    <>
      <b className="doubt">at once</b> <small className="quiet">it was wanted by {written}</small>
    </>
  ) : (
    written
  )
}
