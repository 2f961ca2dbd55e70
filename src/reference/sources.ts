/** Where the values of the reference records come from, by the key that a record gives. */
export const sources = {
  handbook: 'CRC Handbook of Chemistry and Physics, physical constants of organic and of inorganic compounds',
  vapourPressure:
    'Lange’s Handbook of Chemistry, vapour pressures of organic and inorganic compounds (Antoine constants, mmHg, °C)',
  partition: 'Hansch, Leo and Hoekman, Exploring QSAR: Hydrophobic, Electronic, and Steric Constants, 1995',
  partitionOther: 'Leo, Hansch and Elkins, Partition coefficients and their uses, Chem. Rev. 71 (1971) 525',
  labelling: 'Regulation (EC) No 1272/2008 (CLP) as usually applied by suppliers; the safety data sheet of your bottle decides',
  laboratory: 'Prudent Practices in the Laboratory, National Research Council, incompatible chemicals',
} as const
