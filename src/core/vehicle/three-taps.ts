import type { SpecSheet } from './spec-sheet';

/** How the fan of a vehicle is driven, as it is seen under the bonnet. */
export const FAN_TAPS = {
  relay: 'Electric, by relays',
  controller: 'Electric, by a controller',
  thermal: 'By the engine, viscous clutch',
  electronic: 'By the engine, electronic clutch',
  fixed: 'By the engine, fixed slip'
} as const;

export const FUEL_TAPS = { petrol: 'Petrol', diesel: 'Diesel', gas: 'Gas', hybrid: 'Hybrid' } as const;

/** What somebody without a book knows of a vehicle; null where it is not known. */
export interface Taps {
  readonly fuel: keyof typeof FUEL_TAPS | null;
  readonly fan: keyof typeof FAN_TAPS | null;
  /** The number stamped on the thermostat, °C. */
  readonly stampedC: number | null;
}

/** The sheet of a vehicle of which nothing is known but its name. */
export const bareSheet = (name: string): SpecSheet => ({ format: 'pyrethos.spec-sheet', version: 1, name });

/**
 * The sheet that three answers make. All else is left open: it is typical for such an engine until somebody says
 * better, and nothing is ruled out by it (limits.ts, parts.ts). To be read by `readSpecSheet`.
 */
export function sheetOfTaps(name: string, { fuel, fan, stampedC }: Taps): SpecSheet {
  const electric = fan === 'relay' || fan === 'controller';
  return {
    ...bareSheet(name),
    ...(fuel && { engine: { fuel } }),
    ...(stampedC !== null && { thermostat: { startOpenC: stampedC } }),
    ...(fan && (electric ? { fan: { drive: fan } } : { clutch: { kind: fan } }))
  };
}
