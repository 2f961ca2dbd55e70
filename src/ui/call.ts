/** An answer of the server that is not a success, or no answer at all (`status` 0). */
export class CallError extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly details: Record<string, unknown> = {},
  ) {
    super(message)
    this.name = 'CallError'
  }
}

/** Calls a route of this application with JSON and returns its JSON. @throws CallError with words to show */
export async function call<T>(
  path: string,
  method: 'POST' | 'PUT' | 'PATCH' | 'DELETE' | 'GET' = 'GET',
  body?: unknown,
): Promise<T> {
  const sentAt = performance.now()
  let response: Response
  try {
    response = await fetch(path, {
      method,
      ...(body === undefined ? {} : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    })
  } catch {
    throw new CallError(0, 'The server cannot be reached. What you typed is still here.')
  }
  const answer = (await response.json().catch(() => ({}))) as Record<string, unknown>
  if (!response.ok) throw new CallError(response.status, String(answer.error ?? 'The server could not do this.'), answer)
  // What was typed for it is saved; the guard of unsaved fields (ui/typed) listens.
  if (method !== 'GET' && typeof window !== 'undefined') window.dispatchEvent(new CustomEvent('mozle:saved', { detail: sentAt }))
  return answer as T
}
