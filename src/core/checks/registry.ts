import { BY_HAND } from './by-hand';
import type { Check } from './check';
import { clutchColdTurn } from './clutch-cold-turn';
import { clutchPlay } from './clutch-play';
import { codes } from './codes';
import { coldAgreement } from './cold-agreement';
import { ectCircuit } from './ect-circuit';
import { ectLadder } from './ect-ladder';
import { ectSubstitute } from './ect-substitute';
import { fanCommand } from './fan-command';
import { fanSwitching } from './fan-switching';
import { gaugeCompare } from './gauge-compare';
import { hoseRush } from './hose-rush';
import { keyOffFan } from './key-off-fan';
import { levelAndLook } from './level-and-look';
import { soak } from './soak';
import { wiggle } from './wiggle';

/**
 * Every check there is, in the order they are best done on one stretch of the line. The heat line, the sheets, the
 * record, the export and the table in docs/checks.md follow from this. Ids are a contract.
 */
export const CHECKS = {
  soak,
  codes,
  'level-and-look': levelAndLook,
  'cold-agreement': coldAgreement,
  'clutch-cold-turn': clutchColdTurn,
  'clutch-play': clutchPlay,
  'ect-ladder': ectLadder,
  'ect-circuit': ectCircuit,
  'ect-substitute': ectSubstitute,
  wiggle,
  'gauge-compare': gaugeCompare,
  'hose-rush': hoseRush,
  'fan-switching': fanSwitching,
  'fan-command': fanCommand,
  'key-off-fan': keyOffFan,
  ...BY_HAND
} as const satisfies Readonly<Record<string, Check>>;

export type CheckId = keyof typeof CHECKS;
export const CHECK_IDS = Object.keys(CHECKS) as [CheckId, ...CheckId[]];
export const isCheckId = (text: string | null | undefined): text is CheckId =>
  !!text && Object.hasOwn(CHECKS, text);
export const checkOf = (id: CheckId): Check => CHECKS[id];
