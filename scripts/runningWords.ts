import { home } from './home'

/** What is said where this folder’s demo runs already: where it is, what of this command was not done, and how a second one is started. */
export function runningWords(note: string, args: readonly string[]): string {
  const address = /https?:\/\/\S+/.exec(note)?.[0] ?? ''
  const asked = args.filter((arg, index) => ['--empty', '--port'].includes(arg) || args[index - 1] === '--port')
  if (asked.length === 0) return `The demo is already running.\n${note}`
  const second = `${home}-second`
  return [
    `The demo of this folder is already running at ${address}. ${asked.join(' ')} was not used: one folder has one demo.`,
    `Stop it first, or start a second one from a copy of the folder:`,
    `  git clone ${home} ${second} && ${second}/mozle demo ${asked.join(' ')}`,
    '',
    note,
  ].join('\n')
}
