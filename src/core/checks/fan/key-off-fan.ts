import { z } from 'zod';
import { defineField } from '../../units/field';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { afterKeyOff } from '../../physics/plant/key-off';
import { sayC, sayDeltaC } from '../../units/say';
import { defineCheck, outcome } from '../check';
import { share, strength } from '../strength';
import { fanStages } from '../../vehicle/limits';
import { coolantC } from '../../measure/temperature';
import { USUAL_AMBIENT_C } from '../../physics/heat/state';
import { withoutFan } from '../vehicle-has';

const readings = () =>
  z.object({
    /** Minutes the fan went on after key-off; 0 where it stopped with the key. */
    ranMin: defineField(
      z
        .number('Say how long it ran on')
        .min(0, 'Minutes are 0 or more')
        .max(240, 'More than 4 hours: the battery would be flat'),
      {
        label: 'Ran on for',
        quantity: 'time',
        keptIn: 'min',
        hint: '0: stopped with the key',
        watch: { start: 'Key off now', stop: 'The fan stops now' }
      }
    ),
    /** Coolant at key-off, where it was read. */
    coolantC: defineField(coolantC, {
      label: 'Coolant at key-off',
      quantity: 'temperature',
      hint: 'if read'
    }).nullable(),
    stillRunning: defineField(z.boolean(), { label: 'Still running when the watch ended' })
  });
export type KeyOffFanReadings = z.infer<ReturnType<typeof readings>>;

/** A usual fan and battery, where nobody knows better: A and A·h. */
export const FAN_A = 20;
export const BATTERY_AH = 60;

/** What running on costs the battery: A·h and percent of a usual one. */
export const batteryCost = (minutes: number) => {
  const ampereHours = (FAN_A * minutes) / 60;
  return { ampereHours, sharePct: (100 * ampereHours) / BATTERY_AH };
};

/** What this engine's model would have it do, in words. */
export function expected(sheet: SpecSheet, coolantC: number, ambientC: number | null) {
  const { riseC, peakAfterS, fanMin } = afterKeyOff(sheet, coolantC, ambientC ?? USUAL_AMBIENT_C, 'driven');
  const soak = `up to ${sayDeltaC(riseC)} more in ${Math.max(1, Math.round(peakAfterS / 60))} min`;
  return [
    { name: 'Heat soak to be expected', value: soak },
    ...(fanMin === null
      ? []
      : [
          {
            name: 'Fan to be expected',
            value: fanMin === 0 ? 'stops with the key' : `for up to ${Math.ceil(fanMin)} min`
          }
        ])
  ];
}

/** A fan that runs on after key-off: by its rule, or by a fault. */
export const keyOffFan = defineCheck({
  title: 'Fan after key-off',
  phases: ['H'],
  minutes: 6,
  decides: 'After-run by rule, or a fault; and what it costs the battery.',
  tools: ['Clock'],
  cautions: ['fan-starts', 'hot-parts'],
  gate: 'stopped',
  results: {
    sound: { against: ['fan-relay-welded', 'fan-controller-shorted'] },
    runsOn: {
      seen: 'the fan runs on against its rule',
      for: ['fan-relay-welded', 'fan-controller-shorted', 'ect-intermittent']
    }
  },
  strength: strength(0.95, 0.015, 0.05, 'itself', 'Rules of after-run differ', {
    'ect-intermittent': share(0.1, 0.015, 0.9, 'Says next to nothing of a contact')
  }),
  lacks: withoutFan,
  readings,
  begins: ({ heat }) => ({ coolantC: heat.running ? heat.coolantC : null }),
  facts: (r, at) => [
    {
      kind: 'ran-until',
      at: new Date(Date.parse(at) - r.ranMin * 60_000).toISOString(),
      coolantC: r.coolantC,
      ambientC: null
    }
  ],
  judge({ ranMin, stillRunning, coolantC: at }, { sheet, thermal, earlier }) {
    const limit = sheet?.fan?.afterRunMaxMin ?? null;
    const first = fanStages(sheet)[0];
    const { ampereHours, sharePct } = batteryCost(ranMin);
    const minutes = `${ranMin} min${stillRunning ? ' and still running' : ''}`;
    const numbers = [
      { name: 'Ran on', value: minutes, ...(limit === null ? {} : { limit: `up to ${limit} min` }) },
      {
        name: 'Taken from the battery',
        value: `${ampereHours.toFixed(1)} A·h, ${Math.round(sharePct)} % of ${BATTERY_AH} A·h`
      },
      ...(at === null ? [] : [{ name: 'Coolant at key-off', value: sayC(at) }]),
      ...(at === null || !sheet ? [] : expected(sheet, at, thermal.ambientC))
    ];
    if (ranMin === 0 && !stillRunning) {
      const owed = limit !== null && limit > 0 && at !== null && first !== undefined && at >= first.onC;
      return owed
        ? outcome(
            'unclear',
            `Stopped with the key at ${sayC(at!)}, where an after-run of up to ${limit} min was to be expected`,
            { numbers }
          )
        : outcome('pass', 'Stopped with the key', {
            numbers,
            found: ['sound']
          });
    }
    // A diesel runs its fan on after it has burnt its filter clean: once is no finding, twice is.
    const before = earlier.some((e) => (e.readings as KeyOffFanReadings).ranMin > (limit ?? 0));
    if (sheet?.engine?.fuel === 'diesel' && !before && limit !== null && ranMin > limit)
      return outcome(
        'unclear',
        `Ran on for ${minutes}; the sheet allows ${limit} min, and a diesel that has just burnt its filter clean may run on. Watch the next key-off as well`,
        { numbers }
      );
    if (at !== null && first !== undefined && at < first.offC - 5)
      return outcome(
        'fail',
        `Ran on for ${minutes} with the coolant at ${sayC(at)}, well below its off point at ${sayC(first.offC)}`,
        { numbers, found: ['runsOn'] }
      );
    if (limit === null)
      return outcome('unclear', `Ran on for ${minutes}; the sheet gives no rule to hold it against`, {
        numbers,
        asks: ['fan.afterRunMaxMin']
      });
    if (ranMin > limit || (stillRunning && ranMin >= limit))
      return outcome('fail', `Ran on for ${minutes}; the sheet allows ${limit} min`, {
        numbers,
        found: ['runsOn']
      });
    if (stillRunning)
      return outcome(
        'unclear',
        `Still running after ${ranMin} min of the ${limit} min allowed: watch it to the end`,
        { numbers }
      );
    return outcome(
      'pass',
      `Ran on for ${minutes}, within the ${limit} min of its rule: heat soak after stopping`,
      {
        numbers,
        found: ['sound']
      }
    );
  },
  simulate(h) {
    const engine = h.hot();
    const atC = Math.round(engine.scanC);
    engine.stop();
    let minutes = 0;
    for (; minutes < 20 && engine.fanPct > 10; minutes++) engine.advanceTo(engine.now + 60);
    return { ranMin: minutes, stillRunning: minutes >= 20, coolantC: Math.min(atC, 118) };
  },
  words: (r) =>
    `Ran on ${r.ranMin} min${r.stillRunning ? ', still running' : ''}${r.coolantC === null ? '' : `, coolant ${sayC(r.coolantC)}`}`
});
