/** Runs once when the application's process starts. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return
  const { warmUp } = await import('@/server/structures/structureReader')
  // Whoever waits for the first page waits for the application alone.
  setTimeout(() => void warmUp(), 5000).unref()
}
