import { printed, type Words } from './words'

/** What words are made of: text, which is only printed, and the fields that stand in it for a figure. */
export type Piece =
  | { kind: 'text'; text: string }
  /** `{line}`, or `{line 8 %}` for so much of it. */
  | { kind: 'line'; line: string; part: number; written: string }
  /** `{@blank}` */
  | { kind: 'blank'; key: string; written: string }

const field = /(\{@?[\w-]+(?: [\d.]+ %)?\})/

/** Words taken apart; nothing that is text is looked at. */
export const piecesOf = (words: Words): Piece[] => printed(words).split(field).filter(Boolean).map(pieceOf)

function pieceOf(written: string): Piece {
  const key = /^\{@([\w-]+)\}$/.exec(written)?.[1]
  if (key !== undefined) return { kind: 'blank', key, written }
  const [, line, percent] = /^\{([\w-]+)(?: ([\d.]+) %)?\}$/.exec(written) ?? []
  if (line === undefined) return { kind: 'text', text: written }
  return { kind: 'line', line, part: percent === undefined ? 1 : Number(percent) / 100, written }
}
