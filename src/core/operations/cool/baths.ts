/** What each bath holds without refilling, °C, and how it is made. */
export const baths: Readonly<Record<string, { atC: number; made: string }>> = {
  'ice and water': { atC: 0, made: 'ice with enough water to touch the glass all round' },
  'ice and salt': { atC: -10, made: 'crushed ice with a third of its mass of salt' },
  'cold water': { atC: 15, made: 'from the tap, changed when it grows warm' },
}
