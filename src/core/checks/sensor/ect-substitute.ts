import { z } from 'zod';
import { defineField } from '../../units/field';
import { sayC, sayDeltaC, saySignedC } from '../../units/say';
import { agreement } from '../../measure/agreement';
import { AGREE_WITHIN_C, standingOf } from './cold-agreement';
import { defineCheck, outcome } from '../check';
import { share, strength } from '../strength';
import { instrumentOf, readWith, takenBy } from '../../measure/instruments';
import { SENSOR_FAULTS } from '../../vehicle/sensor-faults';
import { airC, scanC } from '../../measure/temperature';

const readings = () =>
  z.object({
    /** Scan value with a known good sensor plugged in, lying in the air. */
    substituteC: defineField(scanC, {
      label: 'Known good sensor reads',
      quantity: 'temperature',
      hint: 'plugged in, lying in the air'
    }),
    air: defineField(takenBy(airC), {
      label: 'Air beside it',
      takenWith: { place: 'ambient', choices: ['weather', 'glass', 'contact', 'scan'] }
    }),
    /** Scan value and truth of the old sensor, where both are known: whether it is off by as much. */
    oldOffC: defineField(
      z
        .number()
        .min(-150, 'A difference of −150 to 150\u202f°C')
        .max(150, 'A difference of −150 to 150\u202f°C'),
      { label: 'Old sensor was off by', quantity: 'difference', hint: 'if known; − reads cold' }
    ).nullable()
  });
export type EctSubstituteReadings = z.infer<ReturnType<typeof readings>>;

/** A known good sensor in the old one's plug: tells the sensor from its circuit. */
export const ectSubstitute = defineCheck({
  title: 'ECT substitution',
  phases: ['X'],
  minutes: 6,
  decides:
    'A known good sensor in air: agrees with ambient, so the old sensor; off by the same, so the circuit.',
  tools: ['Known good sensor', 'Scan tool'],
  cautions: ['fan-starts'],
  gate: 'none',
  results: {
    sound: { against: [...SENSOR_FAULTS, 'ect-wiring'] },
    // Its circuit is good, as far as a reading in cool air can tell; of the old sensor nothing is known yet.
    circuitSound: { against: ['ect-wiring'] },
    reads: { seen: 'a good sensor reads right in its place', for: SENSOR_FAULTS, against: ['ect-wiring'] },
    off: { seen: 'a good sensor is off as well', for: ['ect-wiring'], against: ['ect-wrong-part'] }
  },
  strength: strength(0.95, 0.006, 0.05, 'thermometer', 'One point, in air; the sensor, whatever it has', {
    'ect-reads-cold': share(0.55, 0.006, 0.5, 'A contact in series hardly shows in cool air'),
    'ect-wiring': share(0.65, 0.004, 0.3, 'A good sensor that is off as well')
  }),
  readings,
  begins: ({ sensor: { offC } }) => ({ oldOffC: offC === null ? null : Math.round(10 * offC) / 10 }),
  sensorReadings: ({ substituteC, air, oldOffC }) => [
    {
      readsC: substituteC,
      trueC: air.celsius,
      sdC: air.instrument.uncertaintyC / 1.96,
      at: 'sensor',
      of: 'circuit'
    },
    // At which temperature the old one was off is not said; it is held beside this air.
    ...(oldOffC === null
      ? []
      : [
          {
            readsC: air.celsius + oldOffC,
            trueC: air.celsius,
            sdC: 3,
            at: 'sensor' as const,
            of: 'both' as const
          }
        ])
  ],
  judge({ substituteC, air, oldOffC }) {
    const scan = { celsius: substituteC, uncertaintyC: instrumentOf('scan').uncertaintyC };
    const off = agreement(scan, { celsius: air.celsius, uncertaintyC: air.instrument.uncertaintyC });
    const numbers = [
      {
        name: 'Known good sensor less air',
        value: `${saySignedC(off.byC)} ± ${sayDeltaC(off.uncertaintyC)}`,
        limit: `± ${sayDeltaC(AGREE_WITHIN_C)}`
      },
      ...(oldOffC === null ? [] : [{ name: 'Old sensor was off by', value: saySignedC(oldOffC) }])
    ];
    switch (standingOf(off)) {
      case 'agree':
        return oldOffC !== null && Math.abs(oldOffC) <= AGREE_WITHIN_C
          ? outcome('pass', 'Both sensors agree with the air around them: sensor and circuit are good', {
              numbers,
              // A contact that resists shows when hot; in cold air it hides, and is cleared by half.
              found: ['sound']
            })
          : oldOffC === null
            ? outcome(
                'unclear',
                'A known good sensor reads right in its place: the circuit is good. Whether the old sensor is at fault shows only where its own error was measured',
                { numbers, found: ['circuitSound'] }
              )
            : outcome('fail', 'A known good sensor reads right in its place: the old sensor is at fault', {
                numbers,
                found: ['reads']
              });
      case 'apart': {
        const same = oldOffC !== null && Math.abs(oldOffC - off.byC) <= 2 * AGREE_WITHIN_C;
        return outcome(
          'fail',
          `A known good sensor is off by ${sayDeltaC(Math.abs(off.byC))}${same ? ' too, as much as the old one' : ''}: the circuit, not the sensor`,
          { numbers, found: ['off'] }
        );
      }
      case 'unclear':
        return outcome(
          'unclear',
          `Off by ${sayDeltaC(Math.abs(off.byC))}: let it lie in the air longer, away from the engine`,
          {
            numbers
          }
        );
    }
  },
  simulate(h) {
    // Another sensor takes away the old one's error; what is wrong with the loom stays.
    const known = h.fault === 'ect-wiring' ? h.cold() : h.cold({ sensorError: { kind: 'none' } });
    return {
      substituteC: known.scanC,
      air: readWith(h.ambientC + h.noise(0.4), 'glass'),
      oldOffC: h.cold().scanC - Math.round(h.ambientC)
    };
  },
  words: (r) => `Known good sensor ${sayC(r.substituteC)}, air ${sayC(r.air.celsius)}`
});
