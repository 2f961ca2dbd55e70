/** A student of a group; the name is null once it is no longer kept. */
export interface Member {
  id: string
  name: string | null
}
