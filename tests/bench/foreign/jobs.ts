import { Dice } from './dice';
import { storyOf } from './driver';
import { possibleIn, withFaults, type ForeignFault, type Sick } from './faults';
import type { Scene } from './hands/scene';
import type { Story } from './driver';
import { drawVehicle } from './vehicles';

export interface Job extends Story {
  readonly seed: number;
  readonly s: Sick;
  readonly ambientC: number;
  /** The vehicle a slip of the hand reads instead. */
  readonly other: Sick;
}

const HEALTHY = 0.1;
const TWO = 0.08;
const WHOLE = /dead|relay|feed|command|open-circuit|short-circuit|seized|circuit-open/;

/** A job by its number: vehicle, day, what is wrong, what the owner tells. */
export function jobOf(seed: number): Job {
  const dice = new Dice(seed);
  const made = drawVehicle(dice, true);
  const possible = possibleIn(made);
  const faults: ForeignFault[] = dice.chance(HEALTHY) ? ['none'] : [dice.of(possible)];
  if (faults[0] !== 'none' && dice.chance(TWO)) {
    const second = dice.of(possible);
    const part = (f: string) => f.split('-')[0];
    if (part(second) !== part(faults[0])) faults.push(second);
  }
  const other = withFaults(made, [dice.of(possible)], 0.7, dice);
  const sound = withFaults(made, ['none'], 0, dice);
  for (let tried = 0; ; tried++) {
    // Nobody comes in for what nobody notices: the fault grows, and another day and drive come.
    const ambientC = Math.round(dice.between(-12, 36));
    const bad = WHOLE.test(faults[0]) ? 1 : dice.between(Math.min(0.9, 0.25 + tried / 20), 1);
    const s = withFaults(made, faults, bad, dice);
    const story = storyOf(s, sound, ambientC, tried > 14, dice);
    if (story) return { seed, s, ambientC, other, ...story };
  }
}

/** One in so many readings is of something else, cannot be taken, or was not looked at. */
const BLUNDERS = 0.04;
const CANNOT = 0.04;

export const sceneOf = (job: Job, check: string): { scene: Scene; slipped: boolean; cannot: boolean } => {
  const dice = new Dice(
    job.seed * 977 + ([...check].reduce((sum, c) => sum * 31 + c.charCodeAt(0), 7) % 100003)
  );
  const slipped = dice.chance(BLUNDERS);
  const cannot = dice.chance(CANNOT);
  return {
    slipped,
    cannot,
    scene: {
      s: slipped ? job.other : job.s,
      ambientC: job.ambientC,
      codes: slipped ? [] : job.codes,
      seed: job.seed,
      dice
    }
  };
};
