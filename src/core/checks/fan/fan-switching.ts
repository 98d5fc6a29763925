import { FAST_IDLE } from '../hands';
import { z } from 'zod';
import { defineField } from '../../units/field';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { FAN_DEAD } from '../../vehicle/faults';
import { sayC, sayDeltaC } from '../../units/say';
import { defineCheck, outcome, unusual, type Judged, type Outcome } from '../check';
import { share, strength } from '../strength';
import { withoutFan } from '../vehicle-has';
import { fanStages, limitsOf } from '../../vehicle/limits';
import { READS_COLD, READS_HOT, readsOff } from '../../vehicle/sensor-faults';
import { scanC } from '../../measure/temperature';

const stage = z.object({
  name: z.string().trim().max(40),
  onC: defineField(scanC, { label: 'Came on at', quantity: 'temperature', hint: 'empty: never' }).nullable(),
  offC: defineField(scanC, { label: 'Went off at', quantity: 'temperature' }).nullable()
});
const readings = () =>
  z
    .object({
      stages: defineField(z.array(stage).min(1).max(6), { label: 'Fan', rowName: 'name' }),
      /** The hottest that was read while watching. */
      hottestC: defineField(scanC, { label: 'Hottest that was read', quantity: 'temperature' }),
      /** What the temperatures were read by. What the control unit reads of itself cannot be off against itself. */
      by: defineField(z.enum(['scan', 'thermometer']), {
        label: 'Read by',
        choices: { scan: 'Scan value', thermometer: 'Thermometer at its housing' }
      })
        .nullable()
        .default(null),
      acOn: defineField(z.boolean(), { label: 'A/C on' }),
      moving: defineField(z.boolean(), { label: 'Moving' })
    })
    .refine((r) => r.stages.every((s) => s.onC === null || s.offC === null || s.offC < s.onC), {
      message: 'A fan goes off at a lower temperature than it comes on at',
      path: ['stages']
    });
export type FanSwitchingReadings = z.infer<ReturnType<typeof readings>>;

/** A reading rounded to 1 °C at a moving temperature: within this of the sheet is the same. Ours, in °C. */
const NEAR_C = 3;
const APART_C = 5;
/** Below anything a fan is ever switched at: it ran before it was asked. */
const UNASKED_C = 25;

/** Where a stage switches: on the move at points of its own, where the sheet gives them. */
const pointsOf = (
  { onC, offC, movingOnC, movingOffC }: ReturnType<typeof fanStages>[number],
  moving: boolean
) => (moving ? { onC: movingOnC ?? onC, offC: movingOffC ?? offC } : { onC, offC });

/** On and off temperatures of each stage against the sheet's. */
export const fanSwitching = defineCheck({
  title: 'Fan switching',
  phases: ['R'],
  minutes: 12,
  decides: 'On and off temperatures of each stage against the sheet, and what a difference says.',
  tools: ['Scan tool'],
  cautions: ['indoor-running', 'belts', 'fan-blades'],
  gate: 'none',
  results: {
    sound: { against: [...FAN_DEAD, 'fan-setpoint-modified', 'fan-relay-welded', 'fan-controller-shorted'] },
    never: { seen: 'the fan never comes on', for: FAN_DEAD },
    offPoint: {
      seen: 'it comes on early or late',
      for: ['fan-setpoint-modified'],
      against: ['fan-motor-dead', 'fan-feed-open']
    },
    readsHot: { for: READS_HOT },
    readsCold: { for: READS_COLD },
    // This early is hardly a switching point: a fan that knows no command runs from the first minute.
    unasked: { seen: 'it runs from the first minute', for: ['fan-relay-welded', 'fan-controller-shorted'] },
    open: { seen: 'it runs with the reading at its cold default', for: ['ect-open-circuit', 'ect-wiring'] },
    short: { seen: 'it runs with the reading at its hot default', for: ['ect-short-circuit', 'ect-wiring'] }
  },
  strength: strength(0.76, 0.01, 0.04, 'scan', 'A fan that never runs does not say why', {
    'fan-setpoint-modified': share(
      0.9,
      0.012,
      0.03,
      'The control unit’s own reading, at its own switching point'
    ),
    'fan-relay-welded': share(0.9, 0.01, 0.05, 'Runs from the first minute'),
    'fan-controller-shorted': share(0.9, 0.01, 0.05, 'Runs from the first minute')
  }),
  lacks: withoutFan,
  readings,
  begins: ({ sheet }) => ({
    stages: (fanStages(sheet).length > 0 ? fanStages(sheet) : [{ name: 'low' }]).map(({ name }) => ({
      name,
      onC: null,
      offC: null
    })),
    by: 'scan' as const
  }),
  unlikely: (r) =>
    r.stages.some((s) => s.onC !== null && s.onC > r.hottestC)
      ? ['A stage came on above the hottest that was read']
      : [],
  judge(r, { sheet }) {
    const given = fanStages(sheet).map((stage) => pointsOf(stage, r.moving));
    const numbers = r.stages.map((s, i) => ({
      name: `Fan ${s.name}`,
      value:
        s.onC === null
          ? 'never came on'
          : `on ${sayC(s.onC)}${s.offC === null ? '' : `, off ${sayC(s.offC)}`}`,
      ...(given[i] ? { limit: `on ${sayC(given[i].onC)}, off ${sayC(given[i].offC)}` } : {})
    }));
    if (given.length === 0) return withoutPoints(r, numbers, sheet);
    const [first, should] = [r.stages[0], given[0]];
    if (first.onC === null) {
      return r.hottestC >= should.onC + NEAR_C
        ? outcome('fail', `Never came on up to ${sayC(r.hottestC)}; the sheet says ${sayC(should.onC)}`, {
            numbers,
            found: ['never']
          })
        : outcome(
            'unclear',
            r.hottestC < should.onC
              ? `Never came on, and never reached ${sayC(should.onC)}: the hottest was ${sayC(r.hottestC)}`
              : `Never came on; ${sayC(r.hottestC)} is hardly above its ${sayC(should.onC)}: let it get ${sayDeltaC(NEAR_C, 0)} hotter`,
            { numbers }
          );
    }
    const off = readsOff(first.onC, 0, sheet);
    if (r.by !== 'thermometer' && (off === 'open' || off === 'short'))
      return outcome(
        'fail',
        `Runs with the reading at ${sayC(first.onC)}, the default of a sensor that is not there: failsafe`,
        { numbers, found: [off] }
      );
    const by = first.onC - should.onC;
    if (by < -NEAR_C && r.acOn && sheet?.fan?.onWithAc)
      return outcome(
        'unclear',
        `Came on at ${sayC(first.onC)} with the A/C on, which asks for it. Switch the A/C off and watch again`,
        { numbers }
      );
    if (Math.abs(by) > APART_C) {
      const size = `${sayDeltaC(Math.abs(by), 0)} ${by < 0 ? 'early' : 'late'}`;
      return outcome('fail', `Came on at ${sayC(first.onC)}, ${size}; the sheet says ${sayC(should.onC)}`, {
        numbers,
        found: [
          'offPoint',
          ...(by < -UNASKED_C ? (['unasked'] as const) : []),
          ...(r.by === 'scan' ? [] : ([by < 0 ? 'readsHot' : 'readsCold'] as const))
        ]
      });
    }
    const hysteresis = first.offC === null ? null : first.onC - first.offC;
    if (
      Math.abs(by) > NEAR_C ||
      (hysteresis !== null && Math.abs(hysteresis - (should.onC - should.offC)) > NEAR_C)
    )
      return outcome(
        'unclear',
        `On at ${sayC(first.onC)}${first.offC === null ? '' : `, off at ${sayC(first.offC)}`}: near the sheet’s ${sayC(should.onC)} and ${sayC(should.offC)}, not on them`,
        { numbers }
      );
    return outcome(
      'pass',
      `On at ${sayC(first.onC)}${first.offC === null ? '' : ` and off at ${sayC(first.offC)}`}, by the sheet`,
      {
        numbers,
        found: ['sound']
      }
    );
  },
  simulate(h) {
    const due = fanStages(h.spec);
    const v = h.hot(25);
    v.hold(FAST_IDLE[0]);
    const stages = due.map((s) => ({
      name: s.name,
      onC: null as number | null,
      offC: null as number | null
    }));
    const levels = due.map((_, i) =>
      h.plant.fan.kind === 'proportional' ? 15 + 40 * i : due.length === 1 ? 50 : 25 + 45 * i
    );
    const on = stages.map((_, i) => v.fanPct > levels[i]);
    let hottestC = v.scanC;
    for (let s = 25 * 60; s < 60 * 60; s += 2) {
      v.advanceTo(s);
      const reads = v.scanC;
      hottestC = Math.max(hottestC, reads);
      stages.forEach((stage, i) => {
        const turns = v.fanPct > levels[i];
        if (turns && !on[i]) stage.onC ??= reads;
        if (!turns && on[i] && stage.onC !== null) stage.offC ??= reads;
        on[i] = turns;
      });
      // Over the stop limit the engine is switched off, whatever was to be seen.
      if (v.truth().outletC > limitsOf(h.spec).stopC.value) break;
    }
    // A fan that ran when the watch began and never stopped is told by the temperature it began at.
    if (stages[0]?.onC === null && on[0]) stages[0].onC = h.hot(25).scanC;
    for (const s of stages) if (s.offC !== null && s.onC !== null && s.offC >= s.onC) s.offC = null;
    return { stages, hottestC, by: 'scan', acOn: false, moving: false } as const;
  },
  words: (r) =>
    r.stages
      .map(
        (s) =>
          `${s.name} ${s.onC === null ? 'never' : `on ${sayC(s.onC)}`}${s.offC === null ? '' : ` off ${sayC(s.offC)}`}`
      )
      .join(', ') + `; hottest ${sayC(r.hottestC)}${r.acOn ? ', A/C on' : ''}${r.moving ? ', moving' : ''}`
});

/** Where any engine has called for its fan, whatever its points are: beyond where the sheet calls it hot. */
function withoutPoints(
  r: FanSwitchingReadings,
  numbers: Outcome['numbers'],
  sheet: SpecSheet | null
): Judged<'never' | 'offPoint' | 'unasked'> {
  const { hotC, fanOnC, startOpenC } = limitsOf(sheet);
  const first = r.stages[0];
  const open = outcome<'never'>(
    'unclear',
    'The sheet gives no switching points, so there is nothing to hold these against',
    { numbers, asks: ['fan.stages'] }
  );
  const off = readsOff(first.onC ?? r.hottestC, 0, sheet);
  if (off === 'open' || off === 'short') return open;
  if (first.onC === null) {
    if (r.hottestC >= hotC.value && hotC.origin !== 'typical')
      return outcome('fail', `Never came on up to ${sayC(r.hottestC)}, where any fan runs`, {
        numbers,
        found: ['never']
      });
    return r.hottestC >= fanOnC.value + NEAR_C
      ? unusual(
          outcome<'never'>('fail', `Never came on up to ${sayC(r.hottestC)}`, { numbers, found: ['never'] }),
          'switching points',
          'fan.stages'
        )
      : open;
  }
  if (first.onC >= startOpenC.value) return open;
  const found = first.onC < startOpenC.value - UNASKED_C ? 'unasked' : 'offPoint';
  const says = `Came on at ${sayC(first.onC)}, before the thermostat opens`;
  // This far below a usual opening it is below any; nearer, where this one opens would have to be known.
  return startOpenC.origin === 'typical' && found === 'offPoint'
    ? unusual(
        outcome('fail', `${says} on most engines`, { numbers, found: [found] }),
        'switching points',
        'fan.stages',
        'thermostat.startOpenC'
      )
    : outcome('fail', `${says}: no engine asks for it there`, { numbers, found: [found] });
}
