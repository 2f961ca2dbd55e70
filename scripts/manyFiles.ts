import type { Outcome } from './outcome'

/**
 * The files of a command line, each with the value of the option that follows it.
 * @param option that may follow a file, with a value of its own; none where the command has no such option
 * @returns undefined where no file is named, or an option stands before the first file, without its value, or twice
 */
export function filesOf(args: readonly string[], option?: string): { file: string; option?: string }[] | undefined {
  const files: { file: string; option?: string }[] = []
  for (let index = 0; index < args.length; index++) {
    const word = args[index]!
    if (!word.startsWith('--')) {
      files.push({ file: word })
      continue
    }
    const last = files.at(-1)
    const value = args[++index]
    if (word !== option || !last || last.option !== undefined || value === undefined || value.startsWith('--')) return undefined
    last.option = value
  }
  return files.length > 0 ? files : undefined
}

type Answer = { file: string } & ({ document: object } | { problem: string })

/** What is printed of one file, or of several as a list with their names; exit code 2 where one of them could not be taken. */
export function outcomeOfFiles(answers: readonly Answer[]): Outcome {
  const problems = answers.flatMap((answer) => ('problem' in answer ? [answer.problem] : []))
  const documents = answers.flatMap((answer) => ('document' in answer ? [{ file: answer.file, ...answer.document }] : []))
  const [only] = answers
  const printed = answers.length > 1 ? documents : 'document' in only! ? only.document : undefined
  return {
    code: problems.length > 0 ? 2 : 0,
    out: printed ? `${JSON.stringify(printed, null, 2)}\n` : '',
    err: problems.map((words) => `${words}\n`).join(''),
  }
}
