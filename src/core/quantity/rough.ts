/** To three figures, for suggestions: nobody types more; to more of them where a sum is read from it. */
export const rough = (value: number, figures = 3): number => (value === 0 ? 0 : Number(value.toPrecision(figures)))
