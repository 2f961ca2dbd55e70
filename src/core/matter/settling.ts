/** How a vessel is brought to rest. */
export interface Settling {
  /** True where a solid of unknown solubility is brought into solution: dissolved, boiled, shaken out. Else it stays where it is. */
  dissolves?: boolean
  /** Factor by which salt in the water raises every K; 1 without. */
  salting?: number
}
