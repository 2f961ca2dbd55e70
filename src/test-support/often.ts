/** How often a rule is tried by chance, or on how many examples: `usually` in each run of the tests, `all` in `./mozle test all`. */
export const often = (usually: number, all: number): number => (process.env.MOZLE_ALL ? all : usually)
