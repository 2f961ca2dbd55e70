/** mmHg in a kilopascal: 760 mmHg are 101.325 kPa by definition of the standard atmosphere, the mmHg taken as the torr. */
export const mmHgPerKPa = 760 / 101.325
