import { seeded } from '../../base/random';
import type { Hands } from '../hands';
import { z } from 'zod';
import { defineField } from '../../units/field';
import { nextProbe, rankElements } from '../../physics/circuit/rank';
import {
  SENSOR_CIRCUIT_FAULTS,
  sensorProbes,
  type SensorCircuitFault
} from '../../physics/circuit/sensor-circuit';
import { limitsOf, notGiven, originWords, type Limit } from '../../vehicle/limits';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { say, sayC } from '../../units/say';
import { defineCheck, outcome, unusual } from '../check';
import { strength } from '../strength';
import { scanC } from '../../measure/temperature';

const readings = () =>
  z
    .object({
      /** Scan value with the plug off, and with its two pins bridged. */
      unpluggedC: defineField(scanC, {
        label: 'Reads unplugged',
        quantity: 'temperature',
        hint: 'plug off, key on'
      }).nullable(),
      bridgedC: defineField(scanC, {
        label: 'Reads bridged',
        quantity: 'temperature',
        hint: 'its two pins, by a fused wire'
      }).nullable(),
      /** Across the open plug, key on. */
      openV: defineField(z.number().min(0, 'Volts are 0 or more').max(48, 'A sensor supply is a few volts'), {
        label: 'Open plug',
        quantity: 'voltage',
        hint: 'supply to ground pin'
      }).nullable(),
      /** From the signal pin of the open plug to battery minus, key on. */
      signalV: defineField(
        z.number().min(0, 'Volts are 0 or more').max(48, 'More than 48 V is on no vehicle’s sensor'),
        { label: 'Signal pin', quantity: 'voltage', hint: 'plug off, to battery −' }
      ).nullable(),
      /** From the plug's ground pin to battery minus, its pins bridged, key on. */
      groundV: defineField(z.number().min(-2).max(16, 'A ground carries millivolts; 16 V is the battery'), {
        label: 'Ground drop',
        quantity: 'voltage',
        hint: 'bridged, to battery −'
      }).nullable(),
      /** A second control unit on the line has a pull-up of its own: unplugged, it must not change the reading. */
      otherUnit: defineField(z.enum(['stays', 'jumps']), {
        label: 'With the other unit on its line unplugged, the reading',
        choices: { stays: 'Stays', jumps: 'Jumps to where it belongs' },
        bad: ['jumps'],
        blank: 'not tried, or no other unit'
      })
        .nullable()
        .default(null)
    })
    .refine(
      (r) =>
        r.unpluggedC !== null ||
        r.bridgedC !== null ||
        r.openV !== null ||
        r.signalV !== null ||
        r.otherUnit !== null,
      {
        message: 'Take the plug off and read, bridge its pins and read, or measure the open plug',
        path: ['unpluggedC']
      }
    );
export type EctCircuitReadings = z.infer<ReturnType<typeof readings>>;

/** How close to its default a reading comes for the extreme to be reached; units differ where nobody gave it, °C. */
const REACHED_WITHIN_C = 8;
const UNITS_DIFFER_C = 15;
const reachedWithinC = (reads: Limit): number =>
  reads.origin === 'typical' ? UNITS_DIFFER_C : REACHED_WITHIN_C;
/** So far from what any unit shows for an extreme, a reading is not that extreme, °C. */
const CLEARLY_C = 20;
/** Bridging its pins moves the reading by less than this: the plug is not heard at all, whatever the defaults are, °C. */
const HARDLY_MOVES_C = 20;
const REFERENCE_OFF = 0.06;
const GROUND_LIMIT_V = 0.05;

/** An element fault less likely than this is not told. */
const WORTH_TELLING = 0.05;

/** Which element of the circuit fits what was measured, and what to measure next to tell the leaders apart. */
function elementsOf(r: EctCircuitReadings, sheet: SpecSheet | null) {
  const probes = sensorProbes(sheet);
  const taken = Object.entries(r).flatMap(([key, value]) =>
    typeof value === 'number' ? [{ key, value }] : []
  );
  const ranked = rankElements(SENSOR_CIRCUIT_FAULTS, probes, taken);
  return { ranked, next: nextProbe(ranked, probes, taken) };
}

/** Both extremes of the sensor circuit: reached, so wiring and control unit are sound; not reached, so they are not. */
export const ectCircuit = defineCheck({
  title: 'ECT circuit',
  phases: ['X'],
  minutes: 8,
  decides: 'Both extremes reached unplugged and bridged: wiring and control unit sound, so the sensor.',
  tools: ['Meter', 'Scan tool'],
  cautions: ['fan-starts'],
  gate: 'none',
  results: {
    sound: { against: ['ect-wiring'] },
    otherUnit: {
      seen: 'another control unit pulls at its line',
      for: ['ect-wiring'],
      against: ['ect-wrong-part']
    },
    notReached: { seen: 'an extreme is not reached', for: ['ect-wiring'], against: ['ect-wrong-part'] }
  },
  strength: strength(0.95, 0.004, 0.04, 'meter', 'Both extremes of the circuit are forced'),
  readings,
  judge(r, { sheet }) {
    const { openReadsC, shortReadsC } = limitsOf(sheet);
    const referenceV = sheet?.ect?.referenceV ?? null;
    const openLimit = openReadsC.value + reachedWithinC(openReadsC);
    const shortLimit = shortReadsC.value - reachedWithinC(shortReadsC);
    const numbers = [
      ...(r.unpluggedC === null
        ? []
        : [
            {
              name: 'Reads unplugged',
              value: sayC(r.unpluggedC),
              limit: `below ${sayC(openLimit)}, ${originWords(openReadsC)}`
            }
          ]),
      ...(r.bridgedC === null
        ? []
        : [
            {
              name: 'Reads bridged',
              value: sayC(r.bridgedC),
              limit: `above ${sayC(shortLimit)}, ${originWords(shortReadsC)}`
            }
          ]),
      ...(r.openV === null
        ? []
        : [
            {
              name: 'Open plug',
              value: say(r.openV, 'voltage'),
              ...(referenceV === null ? {} : { limit: `${say(referenceV, 'voltage')} ± 6 %` })
            }
          ]),
      ...(r.signalV === null ? [] : [{ name: 'Signal pin', value: say(r.signalV, 'voltage') }]),
      ...(r.groundV === null
        ? []
        : [{ name: 'Ground drop', value: say(r.groundV, 'voltage'), limit: say(GROUND_LIMIT_V, 'voltage') }])
    ];
    const heard = r.unpluggedC === null || r.bridgedC === null || r.bridgedC - r.unpluggedC >= HARDLY_MOVES_C;
    // A unit that shows one extreme as it is puts no value of its own in place of the other.
    const showsOpen = r.unpluggedC !== null && r.unpluggedC <= openLimit;
    const showsShort = r.bridgedC !== null && r.bridgedC >= shortLimit;
    /** What is wrong, and whether it is measured against what somebody gave or the unit itself shows. */
    const wrong: { readonly says: string; readonly given: boolean }[] = [];
    if (r.unpluggedC !== null && !showsOpen)
      wrong.push({
        says: 'unplugged it does not read open: something else draws current, a leak or a short to ground in the loom',
        given:
          openReadsC.origin !== 'typical' || !heard || (showsShort && r.unpluggedC > openLimit + CLEARLY_C)
      });
    if (r.bridgedC !== null && !showsShort)
      wrong.push({
        says: 'bridged it does not read shorted: a wire, a pin or the ground is open or resists',
        given:
          shortReadsC.origin !== 'typical' || !heard || (showsOpen && r.bridgedC < shortLimit - CLEARLY_C)
      });
    if (
      r.openV !== null &&
      referenceV !== null &&
      Math.abs(r.openV - referenceV) > REFERENCE_OFF * referenceV
    )
      wrong.push({ says: `the open plug has ${say(r.openV, 'voltage')} and not its reference`, given: true });
    if (r.groundV !== null && Math.abs(r.groundV) > GROUND_LIMIT_V)
      wrong.push({ says: 'the ground lies above battery minus', given: true });
    if (r.otherUnit === 'jumps')
      return outcome(
        'fail',
        `${sheet?.ect?.alsoReadBy ?? 'Another control unit'} pulls at its line: unplugged, the reading jumps to where it belongs`,
        { numbers, found: ['otherUnit'] }
      );
    const { ranked, next } = elementsOf(r, sheet);
    const told = ranked
      .filter((e) => e.probability >= WORTH_TELLING)
      .map((e) => ({ name: e.title, value: `${Math.min(99, Math.round(100 * e.probability))} %` }));
    const goOn = next ? `. Measure next: ${next.title}` : '';
    if (wrong.length > 0) {
      const judged = outcome(
        'fail',
        `Wiring or control unit: ${wrong.map((w) => w.says).join('; ')}${goOn}`,
        { numbers: [...numbers, ...told], found: ['notReached'] as const }
      );
      // Some units show a value of their own where a circuit is open: only the sheet tells which.
      return wrong.some((w) => w.given)
        ? judged
        : unusual(judged, 'readings of an open and a shorted circuit', ...notGiven(openReadsC, shortReadsC));
    }
    if (r.unpluggedC !== null && r.bridgedC !== null)
      return outcome(
        'pass',
        'Both extremes reached: wiring and control unit are sound, so it is the sensor or nothing',
        {
          numbers,
          found: ['sound']
        }
      );
    return outcome(
      'unclear',
      `${r.unpluggedC === null ? 'Unplugged' : 'Bridged'} has not been read: one extreme alone clears one wire`,
      { numbers: [...numbers, ...told] }
    );
  },
  simulate: simulatePlug,
  words: (r) =>
    [
      r.unpluggedC === null ? '' : `unplugged ${sayC(r.unpluggedC)}`,
      r.bridgedC === null ? '' : `bridged ${sayC(r.bridgedC)}`,
      r.openV === null ? '' : `open plug ${say(r.openV, 'voltage')}`,
      r.signalV === null ? '' : `signal pin ${say(r.signalV, 'voltage')}`,
      r.groundV === null ? '' : `ground ${say(r.groundV, 'voltage')}`,
      r.otherUnit === null ? '' : `other unit unplugged: ${r.otherUnit}`
    ]
      .filter(Boolean)
      .join(', ')
});

/** The sensor’s plug, open and bridged: by the network of its circuit with the element that is broken. */
function simulatePlug(h: Hands): EctCircuitReadings {
  const e = h.plant.sensorError;
  const hidden = seeded(h.seed * 17 + 3);
  const broken = h.fault === 'ect-wiring';
  const kinds: readonly SensorCircuitFault[] =
    e.kind === 'series'
      ? ['signal-resists', 'ground-resists']
      : e.kind === 'fixed'
        ? e.readsC < 0
          ? ['signal-open', 'ground-open']
          : ['signal-grounded']
        : ['reference-low'];
  const element = broken ? kinds[Math.floor(hidden() * kinds.length)] : 'sound';
  const at = hidden();
  // Sizes go from 30 Ω to 20 kΩ by even steps of the logarithm.
  const nearest = (ohm: number, n: number) =>
    Math.round(((n - 1) * Math.log(Math.max(30, ohm) / 30)) / Math.log(20_000 / 30));
  const size = (list: readonly number[]) =>
    element.endsWith('-resists') && e.kind === 'series'
      ? nearest(e.ohm, list.length)
      : Math.floor(at * list.length * 0.6);
  const read = Object.fromEntries(
    sensorProbes(h.spec).map((p) => {
      const shows = p.shows(element);
      const value = shows[Math.min(shows.length - 1, size(shows))];
      const volts = p.key.endsWith('V');
      const noisy = value + h.noise(volts ? 0.01 : 0.4);
      return [
        p.key,
        volts
          ? Math.round(1000 * Math.max(0, noisy)) / 1000
          : Math.round(Math.max(h.plant.openReadsC, Math.min(h.plant.shortReadsC, noisy)))
      ];
    })
  ) as Partial<EctCircuitReadings>;
  return {
    unpluggedC: null,
    bridgedC: null,
    openV: null,
    signalV: null,
    groundV: null,
    otherUnit: null,
    ...read
  };
}
