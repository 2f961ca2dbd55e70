/** What a vial is sent away for. */
export const uses = ['gas chromatography', 'infrared', 'NMR', 'mass spectrum', 'elemental analysis', 'something else'] as const
