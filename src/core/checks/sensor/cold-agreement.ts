import { limitsOf } from '../../vehicle/limits';
import { z } from 'zod';
import { defineField } from '../../units/field';
import type { SpecSheet } from '../../vehicle/spec-sheet';
import { sayC, sayDeltaC, saySignedC } from '../../units/say';
import { agreement, weightedMean, type Agreement, type Taken } from '../../measure/agreement';
import { defineCheck, outcome, type CheckContext } from '../check';
import { share, strength } from '../strength';
import { readWith, takenBy } from '../../measure/instruments';
import { SENSOR_FAULTS } from '../../vehicle/sensor-faults';
import { airC, coolantC, refuseHotter, scanC, unusualAir } from '../../measure/temperature';

const readings = () =>
  z
    .object({
      ect: defineField(takenBy(scanC), {
        label: 'ECT',
        hint: 'what is being judged',
        takenWith: { place: 'ect', choices: ['scan'] }
      })
        .nullable()
        .refine((r) => r !== null, 'Read the ECT first: it is what is being judged'),
      housing: defineField(takenBy(coolantC), {
        label: 'Sensor housing',
        hint: 'if taken',
        takenWith: { place: 'housing', choices: ['contact', 'infrared', 'infrared-bright', 'glass'] },
        bench: { instrument: 'probe', place: 'outlet' }
      }).nullable(),
      iat: defineField(takenBy(scanC), {
        label: 'Intake air (IAT)',
        hint: 'if taken',
        takenWith: { place: 'iat', choices: ['scan'] }
      }).nullable(),
      ambient: defineField(takenBy(airC), {
        label: 'Ambient',
        hint: 'if taken',
        takenWith: { place: 'ambient', choices: ['weather', 'glass', 'contact', 'scan'] }
      }).nullable()
    })
    .refine((r) => r.iat || r.ambient || r.housing, {
      message: 'Take at least one other temperature to hold the ECT against',
      path: ['housing']
    });
export type ColdAgreementReadings = z.infer<ReturnType<typeof readings>>;
export type ColdPlace = keyof ColdAgreementReadings;

export const COLD_PLACES: Readonly<Record<ColdPlace, string>> = {
  ect: 'ECT',
  housing: 'Sensor housing',
  iat: 'Intake air (IAT)',
  ambient: 'Ambient'
};

const Z95 = 1.96;
/** Two cold readings this close agree; further than the second apart they do not. In °C. */
export const AGREE_WITHIN_C = 3;
export const APART_BEYOND_C = 5;

export type Standing = 'agree' | 'unclear' | 'apart';

/** Apart only where the limit is passed and the instruments can tell: their own ± is smaller than the difference. */
export function standingOf(a: Agreement): Standing {
  const difference = Math.abs(a.byC);
  // Instruments that cannot tell what would be a finding clear nothing: bright metal by an infrared gun is ± 8 °C.
  if (difference <= AGREE_WITHIN_C) return a.uncertaintyC <= APART_BEYOND_C ? 'agree' : 'unclear';
  return difference > APART_BEYOND_C && a.ratio > 1 ? 'apart' : 'unclear';
}

const takenOf = (r: ColdAgreementReadings, place: ColdPlace): Taken | null => {
  const one = r[place];
  return one && { celsius: one.celsius, uncertaintyC: one.instrument.uncertaintyC };
};

/** Every pair of readings with how far it is apart. */
function pairsOf(r: ColdAgreementReadings) {
  const places = (Object.keys(COLD_PLACES) as ColdPlace[]).filter((p) => r[p] !== null);
  return places.flatMap((a, i) =>
    places.slice(i + 1).map((b) => {
      const difference = agreement(takenOf(r, a)!, takenOf(r, b)!);
      return { a, b, ...difference, standing: standingOf(difference) };
    })
  );
}

/**
 * What the ECT is held against: the thermometer at its housing, else the mean of the air readings that agree with
 * each other. Null where the air readings contradict one another and nothing decides between them.
 */
function referenceOf(r: ColdAgreementReadings): { taken: Taken; name: string } | null {
  const housing = takenOf(r, 'housing');
  if (housing) return { taken: housing, name: 'the thermometer at its housing' };
  const iat = takenOf(r, 'iat');
  const ambient = takenOf(r, 'ambient');
  if (iat && ambient)
    return standingOf(agreement(iat, ambient)) === 'apart'
      ? null
      : { taken: weightedMean([iat, ambient]), name: 'intake air and ambient' };
  return iat ? { taken: iat, name: 'intake air' } : { taken: ambient!, name: 'ambient' };
}

/** A cold sensor must agree with everything around it; how far it does not, and which way, names the suspect. */
export const coldAgreement = defineCheck({
  title: 'Cold agreement',
  phases: ['C'],
  minutes: 5,
  decides: 'Whether the ECT agrees with the world around it on a soaked engine.',
  tools: ['Scan tool', 'Thermometer'],
  cautions: ['fan-starts'],
  gate: 'none',
  results: {
    sound: {
      // A contact that resists hardly shows when cold: of two of these it clears half.
      against: [...SENSOR_FAULTS, 'ect-wiring']
    },
    open: { seen: 'it reads its cold default', for: ['ect-open-circuit', 'ect-wiring'] },
    shorted: { seen: 'it reads its hot default', for: ['ect-short-circuit', 'ect-wiring'] },
    above: {
      seen: 'it reads above the others',
      for: ['ect-reads-hot', 'ect-wrong-part', 'ect-wiring'],
      against: ['ect-reads-cold']
    },
    below: {
      seen: 'it reads below the others',
      for: ['ect-reads-cold', 'ect-wrong-part', 'ect-wiring'],
      against: ['ect-reads-hot']
    }
  },
  strength: strength(0.95, 0.006, 0.03, 'thermometer', 'Readings that must agree; drafts and sun disagree', {
    'ect-reads-cold': share(0.5, 0.006, 0.5, 'A contact in series hardly shows when cold'),
    'ect-wrong-part': share(
      0.45,
      0.006,
      0.08,
      'Off in one way or the other; two families may meet at one temperature'
    ),
    'ect-wiring': share(0.7, 0.006, 0.32, 'Open or shorted: a contact in series hardly shows when cold')
  }),
  always: true,
  needsSoak: true,
  readings,
  refuse: (r, sheet) =>
    [refuseHotter('housing.celsius', r.housing?.celsius ?? null, sheet)].filter((p) => p !== undefined),
  unlikely: (r) => [
    ...unusualAir('Ambient', r.ambient?.celsius ?? null),
    ...unusualAir('Intake air', r.iat?.celsius ?? null),
    ...(r.housing?.instrument.kind === 'infrared-bright'
      ? [
          'An infrared gun on bright metal reads low: which surface was it? Matt tape gives a reading that counts'
        ]
      : [])
  ],
  facts: (r, at) =>
    r.housing
      ? [{ kind: 'measured', at, coolantC: r.housing.celsius, ambientC: r.ambient?.celsius ?? null }]
      : [],
  sensorReadings(r) {
    const reference = r.ect && referenceOf(r);
    return reference
      ? [
          {
            readsC: r.ect!.celsius,
            trueC: reference.taken.celsius,
            sdC: reference.taken.uncertaintyC / Z95,
            at: 'sensor',
            of: 'both'
          }
        ]
      : [];
  },
  judge(r, context) {
    const ect = takenOf(r, 'ect')!;
    const pairs = pairsOf(r);
    const numbers = pairs.map((p) => ({
      name: `${COLD_PLACES[p.a]} less ${COLD_PLACES[p.b]}`,
      value: `${saySignedC(p.byC)} ± ${sayDeltaC(p.uncertaintyC)}`,
      limit: `± ${sayDeltaC(AGREE_WITHIN_C)}`
    }));
    const doubts = doubtsOf(r, context);
    const fixed = atDefault(ect.celsius, context.sheet);
    if (fixed) return outcome('fail', fixed.says, { numbers, doubts, found: [fixed.found] });
    const reference = referenceOf(r);
    if (!reference)
      return outcome(
        'unclear',
        'Intake air and ambient contradict each other, so nothing decides; take a thermometer to the sensor housing',
        { numbers, doubts }
      );
    const against = agreement(ect, reference.taken);
    const standing = standingOf(against);
    const size = `${sayDeltaC(Math.abs(against.byC))} ± ${sayDeltaC(against.uncertaintyC)}`;
    const side = against.byC > 0 ? 'above' : 'below';
    switch (standing) {
      case 'agree':
        return outcome('pass', `Reads within ${sayDeltaC(AGREE_WITHIN_C)} of ${reference.name}`, {
          numbers,
          doubts,
          found: ['sound']
        });
      case 'apart':
        return outcome(
          'fail',
          `Reads ${size} ${side} ${reference.name}; more than ${sayDeltaC(APART_BEYOND_C)} is a finding`,
          {
            numbers,
            doubts,
            found: [side]
          }
        );
      case 'unclear':
        return outcome(
          'unclear',
          `Reads ${size} ${side} ${reference.name}: between the limits of ${sayDeltaC(AGREE_WITHIN_C)} and ${sayDeltaC(APART_BEYOND_C)}, or more than these instruments can tell`,
          { numbers, doubts }
        );
    }
  },
  simulate(h) {
    const ect = readWith(h.cold().scanC, 'scan');
    return {
      ect,
      iat: readWith(Math.round(h.ambientC + h.noise(0.5)), 'scan'),
      ambient: readWith(h.ambientC + h.noise(0.8), 'weather'),
      housing: readWith(h.ambientC + h.noise(0.7), 'contact')
    };
  },
  words: (r) =>
    (Object.keys(COLD_PLACES) as ColdPlace[])
      .filter((p) => r[p])
      .map((p) => `${COLD_PLACES[p]} ${sayC(r[p]!.celsius)}`)
      .join(', ')
});

/** A reading at a default says circuit, not temperature. */
function atDefault(
  ectC: number,
  sheet: SpecSheet | null
): { readonly says: string; readonly found: 'open' | 'shorted' } | null {
  const { openReadsC, shortReadsC } = limitsOf(sheet);
  const open = openReadsC.value;
  const short = shortReadsC.value;
  if (ectC <= open + 1)
    return {
      says: `Reads ${sayC(ectC)}, the open-circuit default: sensor, plug or wire is open`,
      found: 'open'
    };
  if (ectC >= short - 1)
    return {
      says: `Reads ${sayC(ectC)}, the short-circuit default: sensor or wire is shorted`,
      found: 'shorted'
    };
  return null;
}

/** The record calls the engine cold, and a reading does not. */
function doubtsOf(r: ColdAgreementReadings, { thermal }: CheckContext): string[] {
  const expected = thermal.coolantC;
  if (thermal.soaked !== true || expected === null) return [];
  const record = `The record says cold-soaked at about ${sayC(expected)}`;
  const warm = (celsius: number) => celsius - expected >= 15;
  // A thermometer at the housing tells which is wrong, the record or the ECT.
  if (r.housing)
    return warm(r.housing.celsius)
      ? [
          `${record}, yet the thermometer reads ${sayC(r.housing.celsius)}: it must have run since. Record the soak anew`
        ]
      : [];
  return warm(r.ect!.celsius)
    ? [
        `${record}, yet the ECT reads ${sayC(r.ect!.celsius)}: either it ran since, or the reading is wrong. A thermometer at the housing tells which`
      ]
    : [];
}
