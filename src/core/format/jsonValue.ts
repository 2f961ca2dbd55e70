/** Deeper than this nothing of ours goes. */
const deepest = 40

/**
 * What is wrong with a value that came as JSON, in words; null where it can be kept. JSON can say numbers that are none when they are read (1e999), and names that stand for something else in every object (constructor). Neither is
 * ever meant, and neither could be read back.
 */
export function problemInJson(value: unknown, depth = 0): string | null {
  if (depth > deepest) return 'This is nested deeper than anything a plan or a log needs.'
  if (typeof value === 'number' && !Number.isFinite(value)) return 'A number in this is too large to be kept.'
  if (typeof value === 'string' && /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]|\0/.test(value))
    return 'A text in this holds signs that are none.'
  if (typeof value !== 'object' || value === null) return null
  for (const [key, part] of Object.entries(value)) {
    if (key in Object.prototype) return `A field cannot be called “${key}”.`
    const problem = problemInJson(part, depth + 1)
    if (problem) return problem
  }
  return null
}
