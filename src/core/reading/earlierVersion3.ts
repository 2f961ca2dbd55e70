/** Blanks of version 3 that have become fields of their step, by operation: what was typed into them had no say at the bench. */
const gone: Readonly<Record<string, readonly string[]>> = { heat: ['minutes'], dry: ['agreementPercent'] }

/** A document of version 3 as it is written now: without those blanks, and with what goes into a waste container beside the container, which stood alone. */
export function fromEarlierVersion3(document: unknown): unknown {
  const plan = document as { steps?: unknown }
  if (!Array.isArray(plan?.steps)) return document
  return { ...plan, steps: plan.steps.map((step: unknown) => placed(lighter(step))) }
}

function placed(step: unknown): unknown {
  const { waste } = (step ?? {}) as { waste?: unknown }
  if (!Array.isArray(waste)) return step
  return { ...(step as object), waste: waste.map((each: unknown) => (typeof each === 'string' ? { into: each } : each)) }
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
