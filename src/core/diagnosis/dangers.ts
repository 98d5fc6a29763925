import type { LevelAndLookReadings } from '../checks/coolant/level-and-look';
import type { CheckId } from '../checks/registry';
import { checkOf } from '../checks/registry';
import type { ThermalState } from '../physics/heat/state';
import type { RunSummary } from '../runs/run-summary';
import { sayC } from '../units/say';
import { limitsOf } from '../vehicle/limits';
import { repairOf, type RepairId } from '../vehicle/repairs';
import type { SpecSheet } from '../vehicle/spec-sheet';
import type { JudgedCheck } from './judged';

/** Something that can hurt a person or ruin the engine: named before anything else is advised. */
export interface Danger {
  readonly id: 'empty' | 'low' | 'gas' | 'boiling' | 'fan-bearing';
  /** What was seen. */
  readonly title: string;
  /** What not to do, and what to do first. */
  readonly not: string;
  /** The entry it rests on: a person who goes on all the same does so about this one. */
  readonly because: string;
  /** It holds back what runs the engine. */
  readonly holds: boolean;
}

/** A check that runs the engine: it is done while it warms or regulates, and cannot be done otherwise. */
export const runsEngine = (id: CheckId): boolean =>
  checkOf(id).phases.every((p) => p === 'W' || p === 'R' || p === 'C') &&
  checkOf(id).phases.some((p) => p === 'W' || p === 'R');

/**
 * The dangers that stand on the record, the worst first. `filledAt` is when coolant was last filled in, and `repairs`
 * what was fitted when: what was seen of a level, or of a part, before that is past. Pure.
 */
export function dangersOf(known: {
  readonly done: readonly JudgedCheck[];
  readonly runs: readonly RunSummary[];
  readonly heat: ThermalState;
  readonly sheet: SpecSheet | null;
  readonly filledAt: string | null;
  readonly repairs: readonly {
    readonly at: string;
    readonly done: { readonly repairs: readonly RepairId[] };
  }[];
}): Danger[] {
  const { done, runs, heat, sheet, filledAt, repairs } = known;
  const last = (check: CheckId) => done.findLast((d) => d.check === check && d.outcome.result !== 'void');
  const found = (check: CheckId, ...names: string[]) => {
    const d = last(check);
    return d?.outcome.found.some((name) => names.includes(name)) ? d : undefined;
  };
  // An empty system is one, even where a person takes it for no cause of the complaint.
  const levelIs = (level: string) => {
    const d = last('level-and-look');
    return d && !d.byHand && (d.readings as LevelAndLookReadings).level === level ? d : undefined;
  };
  const refilled = [
    filledAt ?? '',
    ...repairs.filter((r) => r.done.repairs.some((id) => repairOf(id).drains)).map((r) => r.at)
  ].reduce((latest, at) => (at > latest ? at : latest));
  const unfilled = (d: JudgedCheck | undefined) => (d && d.at > refilled ? d : undefined);
  const fitted = (d: JudgedCheck | undefined, ...parts: RepairId[]) =>
    repairs.some((r) => d && r.at > d.at && r.done.repairs.some((id) => parts.includes(id)));
  const play = found('clutch-play', 'ofClutch', 'ofPump', 'rough');
  const gas = found('combustion-gas', 'gas') ?? found('pressure-hold', 'rises');
  const { stopC } = limitsOf(sheet);
  const lastRun = runs.at(-1);
  const boiled = lastRun && (lastRun.features.maxC ?? -Infinity) > stopC.value ? lastRun : undefined;
  const hotNow = heat.coolantC !== null && heat.coolantC > stopC.value ? heat.coolantC : null;
  const all: (Danger | false | undefined)[] = [
    hotNow !== null && {
      id: 'boiling',
      title: `The coolant is at ${sayC(hotNow, 0)}, above the stop limit`,
      not: 'Load off, engine off, hands away from the cap. It cools by itself; cold water cracks a hot engine',
      because: heat.basis?.at ?? 'heat',
      holds: true
    },
    unfilled(levelIs('empty')) && {
      id: 'empty',
      title: 'No coolant is to be seen',
      not: 'Do not run this engine, not for a minute. Fill it cold, find where it went, then go on',
      because: last('level-and-look')!.id,
      holds: true
    },
    gas && {
      id: 'gas',
      title: 'Combustion gas comes into the coolant',
      not: 'Do not drive it, and do not open the cap while it is warm: the pressure is not the coolant’s. Refer it on',
      because: gas.id,
      holds: true
    },
    // Play against a limit that nobody gave is unusual, and no reason to stop.
    play?.outcome.result === 'fail' &&
      !fitted(play, 'fan-clutch', 'water-pump') && {
        id: 'fan-bearing',
        title: 'A bearing behind the fan has play, or runs rough',
        not: 'Do not run it, and stand clear of the fan: one whose bearing fails sheds its blades',
        because: play.id,
        holds: true
      },
    unfilled(levelIs('low')) && {
      id: 'low',
      title: 'The level is low',
      not: 'Fill it before the engine runs, and find where it went: with air in it every temperature lies',
      because: last('level-and-look')!.id,
      holds: true
    },
    boiled &&
      hotNow === null && {
        id: 'boiling',
        title: `The last run went to ${sayC(boiled.features.maxC!, 0)}, above the stop limit`,
        not: 'Not again with a load: stop it at the limit, and never open it hot',
        because: boiled.id,
        holds: false
      }
  ];
  return all.filter((d) => d !== false && d !== undefined);
}
