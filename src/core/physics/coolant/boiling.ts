/** Molar masses in g/mol and densities at 20 °C in kg/L of water and of ethylene glycol. */
const WATER = { gPerMol: 18.015, kgPerL: 0.998 };
const GLYCOL = { gPerMol: 62.07, kgPerL: 1.113 };
const MMHG_PER_KPA = 7.500617;

/** Pressure of the air at an altitude in m, in kPa: the standard atmosphere below 11 km. */
export const ambientKpa = (altitudeM = 0): number => 101.325 * (1 - 2.25577e-5 * altitudeM) ** 5.25588;

/** Share of water molecules in a mixture with `glycolShare` (0 to 1) of ethylene glycol by volume. */
export function waterMoleFraction(glycolShare: number): number {
  if (!(glycolShare >= 0 && glycolShare <= 1))
    throw new RangeError(`glycol share ${glycolShare} must be from 0 to 1`);
  const water = ((1 - glycolShare) * WATER.kgPerL) / WATER.gPerMol;
  return water / (water + (glycolShare * GLYCOL.kgPerL) / GLYCOL.gPerMol);
}

/**
 * Boiling point of coolant in °C, `capKpa` above the pressure of the air. Raoult's law for the water (its activity
 * taken as its mole fraction) and Antoine's equation for water from 99 to 374 °C; glycol's own vapour is left out.
 * `glycolShare` from 0 to 0.95, `capKpa` from 0 to 300.
 */
export function boilingC(glycolShare: number, capKpa: number, airKpa = ambientKpa()): number {
  const mmHg = ((airKpa + capKpa) / waterMoleFraction(glycolShare)) * MMHG_PER_KPA;
  return 1810.94 / (8.14019 - Math.log10(mmHg)) - 244.485;
}

/**
 * Pressure of the vapour over coolant at a temperature, kPa: {@link boilingC} the other way round. Antoine's constants
 * for below 100 °C and above meet there within 0.2 %. `celsius` from −40 to 374.
 */
export function vapourKPa(glycolShare: number, celsius: number): number {
  const [a, b, c] = celsius < 99 ? [8.07131, 1730.63, 233.426] : [8.14019, 1810.94, 244.485];
  return (waterMoleFraction(glycolShare) * 10 ** (a - b / (c + celsius))) / MMHG_PER_KPA;
}

/** The strongest mixture in use and a cap well above any car's. */
const STRONGEST_SHARE = 0.7;
const HIGHEST_CAP_KPA = 200;

/** The hottest a liquid can be in a sealed system with this cap: above it a reading is not of coolant. In °C. */
export const hottestLiquidC = (capKpa: number | null | undefined): number =>
  boilingC(STRONGEST_SHARE, capKpa ?? HIGHEST_CAP_KPA);
