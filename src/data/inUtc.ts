/** Moments in a statement of our own as the tables keep them, in UTC. Sequelize writes those of a model so, and these by the clock of the machine's own zone. */
export function inUtc<T>(value: T): T {
  if (value instanceof Date) return value.toISOString().replace('T', ' ').replace('Z', '') as T
  if (Array.isArray(value)) return value.map(inUtc) as T
  if (value === null || typeof value !== 'object' || Buffer.isBuffer(value)) return value
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, inUtc(each)])) as T
}
