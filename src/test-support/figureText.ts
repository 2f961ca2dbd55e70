/** Figures of any shape in one line, rounded to so many digits, for a file that holds them. */
export const figureText = (value: unknown, digits = 5): string =>
  typeof value === 'number'
    ? String(Number(value.toPrecision(digits)))
    : Array.isArray(value)
      ? `[${value.map((each) => figureText(each, digits)).join(' ')}]`
      : value !== null && typeof value === 'object'
        ? Object.entries(value)
            .filter(([, part]) => part !== undefined)
            .map(([key, part]) => `${key}=${figureText(part, digits)}`)
            .join(' ')
        : String(value)
