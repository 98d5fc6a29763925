import { checkOf, type CheckId } from '../checks/registry';
import { runsEngine } from '../diagnosis/dangers';
import { CAUTIONS, guardsInjury, type CautionId } from '../measure/cautions';
import { sayC } from '../units/say';
import { limitsOf } from '../vehicle/limits';
import type { SpecSheet } from '../vehicle/spec-sheet';

/** What a person can see to before hands or instruments go in, and which cautions that answers. */
export const PRECAUTIONS = {
  'fan-off': { title: 'Fan disconnected', answers: ['fan-starts'] },
  'key-out': { title: 'Engine off, key with me', answers: ['fan-stopped'] },
  clear: { title: 'Out of line with fan and belts, nothing loose', answers: ['fan-blades', 'belts'] },
  air: { title: 'Outdoors, or extraction on', answers: ['indoor-running'] },
  cap: { title: 'Cap opened slowly, under a cloth', answers: ['hot-cap'] },
  gloves: { title: 'Gloves and glasses', answers: ['hot-parts', 'heated-bath', 'test-pressure'] },
  watch: { title: 'I watch the coolant and stop at the limit', answers: ['stop-limit', 'covered-radiator'] },
  fuse: { title: 'Fuse of the circuit’s own rating', answers: ['fused-feed'] }
} as const satisfies Readonly<Record<string, { title: string; answers: readonly CautionId[] }>>;
export type PrecautionId = keyof typeof PRECAUTIONS;
export const PRECAUTION_IDS = Object.keys(PRECAUTIONS) as [PrecautionId, ...PrecautionId[]];

/** The engine as it truly is, whatever anybody measured. */
export interface TrueEngine {
  readonly coolantC: number;
  readonly running: boolean;
  /** Its fan could start now: hot enough, or its circuit is closed all the time. */
  readonly fanCouldStart: boolean;
  /** There is too little coolant to run it. */
  readonly empty: boolean;
}

/** Somebody would have been hurt, or the engine ruined. */
export interface Hurt {
  readonly id: 'hot-cap' | 'fan' | 'belts' | 'empty' | 'boiled';
  /** What would have happened. */
  readonly would: string;
  /** The caution that stood at that step. */
  readonly caution: string;
}

export interface Judgement {
  readonly hurt: Hurt | null;
  /** Cautions that were not seen to, where nothing happened. */
  readonly slips: readonly CautionId[];
}

const unanswered = (check: CheckId, careful: readonly PrecautionId[]): CautionId[] => {
  const answered = new Set<CautionId>(careful.flatMap((id) => [...PRECAUTIONS[id].answers]));
  return checkOf(check).cautions.filter((c) => guardsInjury(c) && !answered.has(c));
};

const hurt = (id: Hurt['id'], would: string, caution: CautionId): Hurt => ({
  id,
  would,
  caution: CAUTIONS[caution].text
});

/**
 * What doing a check now, with these precautions, would do to whoever does it. A precaution that cannot be had counts
 * for nothing: a cap is not cool because somebody ticked how to open it. `runs` where the engine has to be run for it
 * although it is no check that runs it.
 */
export function dangerOf(
  check: CheckId,
  careful: readonly PrecautionId[],
  engine: TrueEngine,
  sheet: SpecSheet,
  runs = false
): Judgement {
  const slips = unanswered(check, careful);
  const { gate } = checkOf(check);
  const of = (by: Hurt): Judgement => ({ hurt: by, slips: [] });
  if (gate === 'cap-cool' && engine.coolantC > limitsOf(sheet).openCapC.value)
    return of(
      hurt(
        'hot-cap',
        `The cap came off at ${sayC(engine.coolantC, 0)}: the coolant boiled over hands and face.`,
        'hot-cap'
      )
    );
  if (gate !== 'none' && engine.running)
    return of(hurt('belts', 'Hands were at fan and belts while the engine ran.', 'fan-stopped'));
  if (slips.includes('fan-starts') && engine.fanCouldStart)
    return of(hurt('fan', 'The fan started by itself with a hand in it.', 'fan-starts'));
  if ((runs || runsEngine(check)) && engine.empty)
    return of({
      id: 'empty',
      would: 'The engine ran without coolant: the head is warped.',
      caution:
        'Look at the level before the engine is run. An engine without coolant is not run, not for a minute.'
    });
  return { hurt: null, slips };
}

/** What came of a check that nobody watched: a covered radiator boils, and so does what passes the stop limit. */
export function boilsBy(slips: readonly CautionId[], coolantC: number, sheet: SpecSheet): Hurt | null {
  if (slips.includes('covered-radiator'))
    return hurt('boiled', 'Nobody watched the covered radiator: it boiled.', 'covered-radiator');
  if (slips.includes('stop-limit') && coolantC > limitsOf(sheet).stopC.value)
    return hurt('boiled', `Nobody stopped it at the limit: it boiled at ${sayC(coolantC, 0)}.`, 'stop-limit');
  return null;
}
