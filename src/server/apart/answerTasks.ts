// eslint-disable-next-line @typescript-eslint/no-explicit-any -- each task has arguments of its own
export type TaskList = Readonly<Record<string, (...args: any[]) => unknown>>

export type Asked = { id: number; task: string; args: readonly unknown[] }
export type Answered = { ready: true } | { id: number; found: unknown } | { id: number; refused: string }

const answer = (message: Answered) => process.send!(message)

/** The other side of `Apart`: answers tasks, one at a time, until the process that asks is gone. @param wordsOf what is said of a task that failed */
export function answerTasks(tasks: TaskList, wordsOf: (error: unknown) => string): void {
  process.on('message', ({ id, task, args }: Asked) => {
    Promise.resolve()
      .then(() => tasks[task]!(...args))
      .then(
        (found) => answer({ id, found }),
        (error: unknown) => answer({ id, refused: wordsOf(error) }),
      )
  })
  process.once('disconnect', () => process.exit())
  answer({ ready: true })
}
