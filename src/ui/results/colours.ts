/** Colours of states in charts, which know no style sheet. */
export const colourOf = { good: '#22363a', doubt: '#7c5100', danger: '#a3262a', open: '#4f6065' } as const

/** Lines of several benches: told apart by dash and label as well. */
export const lineColours = ['#22363a', '#a4560a', '#234f9c', '#1d6b4f', '#8a5a00', '#6b3f78', '#a3262a', '#4f6065'] as const
export const dashes = ['', '6 3', '2 3', '10 3 2 3', '', '6 3', '2 3', '10 3 2 3'] as const
