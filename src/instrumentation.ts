/** Runs once when the application's process starts. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return
  const { warmUp } = await import('@/server/structures/structureReader')
  void warmUp()
}
