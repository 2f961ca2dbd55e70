/** Sheets of labels as any shop has them, by paper and by how many stand across and down; lengths in mm. */
export interface LabelSheet {
  id: string
  name: string
  paper: 'A4' | 'Letter'
  across: number
  down: number
  widthMM: number
  heightMM: number
  leftMM: number
  topMM: number
  /** From the left edge of one label to that of the next, and from top to top. */
  stepXMM: number
  stepYMM: number
}

const sheet = (
  paper: LabelSheet['paper'],
  [across, down]: [number, number],
  [widthMM, heightMM]: [number, number],
  [leftMM, topMM]: [number, number],
  gapMM = 0,
): LabelSheet => ({
  id: `${paper.toLowerCase()}-${across * down}`,
  name: `${paper}, ${across * down} labels of ${widthMM} × ${heightMM} mm`,
  paper,
  across,
  down,
  widthMM,
  heightMM,
  leftMM,
  topMM,
  stepXMM: widthMM + gapMM,
  stepYMM: heightMM,
})

export const paperMM = { A4: { width: 210, height: 297 }, Letter: { width: 215.9, height: 279.4 } } as const

/** Equal parts of a page, and the sheets with a margin that stand beside them. */
export const labelSheets: readonly LabelSheet[] = [
  sheet('A4', [2, 4], [105, 74.2], [0, 0]),
  sheet('A4', [2, 7], [99.1, 38.1], [4.65, 15.15], 2.5),
  sheet('A4', [3, 8], [70, 37.1], [0, 0]),
  sheet('Letter', [2, 5], [101.6, 50.8], [4.0, 12.7], 4.8),
  sheet('Letter', [2, 7], [101.6, 33.9], [4.0, 21.0], 4.8),
  sheet('Letter', [3, 10], [66.7, 25.4], [4.8, 12.7], 3.1),
]

export interface Place {
  page: number
  xMM: number
  yMM: number
}

/** Where each of so many labels stands, row by row, from a place on a begun sheet on; the first place is 1. @throws RangeError for a place that the sheet has not */
export function placesOn({ across, down, leftMM, topMM, stepXMM, stepYMM }: LabelSheet, many: number, from = 1): Place[] {
  if (!Number.isInteger(from) || from < 1 || from > across * down)
    throw new RangeError(`The sheet has places 1 to ${across * down}.`)
  return Array.from({ length: many }, (_each, index) => {
    const at = index + from - 1
    const on = at % (across * down)
    return {
      page: Math.floor(at / (across * down)),
      xMM: leftMM + (on % across) * stepXMM,
      yMM: topMM + Math.floor(on / across) * stepYMM,
    }
  })
}
