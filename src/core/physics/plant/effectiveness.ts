import type { PlantParams } from './params';
import { balance, startState, type Balance } from './step';
import type { DriveInput } from './state';

/** How the engine is run while the radiator is measured. */
export interface FaceRun {
  readonly rpm: number;
  readonly speedKmh: number;
  /** Share of its best airflow the fan gives, 0 to 1. */
  readonly fan: number;
  readonly ac: boolean;
}

/**
 * Radiator effectiveness (Tin − Tout)/(Tin − Tair) that the plant has with its thermostat full open: two cells in
 * series, each passing on g/(g + UA) of its excess over the air. 0 to 1. The model of docs/method.md, “Radiator”.
 */
export function expectedEffectiveness(p: PlantParams, { rpm, speedKmh, fan, ac }: FaceRun): number {
  const s = startState(p, 95, 15);
  s.lift = p.liftMax;
  s.fanPct = 100 * fan;
  s.fanRpm = p.clutch.kind === 'none' ? 0 : fan * 0.9 * rpm;
  const u: DriveInput = { rpm, load: 0, speedKmh, ambientC: 15, ac };
  const k = balance(p, s, u, {} as Balance);
  return 1 - (k.radiatorFlow / (k.radiatorFlow + k.cellUA)) ** 2;
}
