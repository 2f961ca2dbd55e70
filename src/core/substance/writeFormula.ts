/** A piece of a printed formula: text on the line, or lowered. */
export interface FormulaPiece {
  text: string
  sub: boolean
}

/** A formula in print: counts lowered, hydrates with a middle dot, the number of waters on the line. */
export function writeFormula(formula: string): FormulaPiece[] {
  const pieces: FormulaPiece[] = []
  for (const part of formula.replace(/[.*•∙]/g, '·').split(/(\d+)/)) {
    if (part === '') continue
    const before = pieces.at(-1)?.text
    pieces.push({ text: part, sub: /^\d+$/.test(part) && before !== undefined && !before.endsWith('·') })
  }
  return pieces
}
