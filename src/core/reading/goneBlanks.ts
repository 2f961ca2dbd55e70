/** Blanks of version 3 that have become fields of their step, by operation: what was typed into them had no say at the bench. */
const gone: Readonly<Record<string, readonly string[]>> = { heat: ['minutes'], dry: ['agreementPercent'] }

/** A document of version 3 without them. */
export function withoutGoneBlanks(document: unknown): unknown {
  const plan = document as { steps?: unknown }
  if (!Array.isArray(plan?.steps)) return document
  return { ...plan, steps: plan.steps.map((step: unknown) => lighter(step)) }
}

function lighter(step: unknown): unknown {
  const { work, read, ...rest } = (step ?? {}) as { work?: Record<string, unknown>; read?: unknown }
  const keys = (typeof work === 'object' && gone[String(work?.of)]) || []
  if (!keys.some((key) => Object.hasOwn(work!, key))) return step
  const left = Object.entries(work!).filter(([key]) => !keys.includes(key))
  const unread = Array.isArray(read) ? read.filter((key) => !keys.includes(String(key))) : []
  return {
    ...rest,
    ...(left.length > 1 ? { work: Object.fromEntries(left) } : {}),
    ...(unread.length > 0 ? { read: unread } : {}),
  }
}
