import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readAnyLog } from './any-log';
import type { ChannelKey } from './channels';
import type { ImportOptions } from './csv-import';

const read = (text: string | Uint8Array, options: ImportOptions = {}) => {
  const result = readAnyLog(typeof text === 'string' ? new TextEncoder().encode(text) : text, options);
  if (!result.ok) throw new Error(result.problems.map((p) => `${p.field ?? ''} ${p.message}`).join(' | '));
  return result.value.log;
};
const refused = (text: string) => {
  const result = readAnyLog(new TextEncoder().encode(text));
  return result.ok ? [] : result.problems;
};
const column = (log: ReturnType<typeof read>, key: ChannelKey) =>
  log.channels[key] && Array.from(log.channels[key], (v) => Math.round(10 * v) / 10);

/** One minute of an engine that warms from 20 °C: what every dialect below says in its own way. */
const T = [0, 10, 20, 30, 40, 50, 60];
const ECT = [20, 21, 22, 23, 24, 25, 26];
const RPM = [900, 910, 920, 930, 940, 950, 960];
const lines = (row: (i: number) => string) => T.map((_, i) => row(i)).join('\n');
const clock = (s: number) => `08:12:${String(s % 60).padStart(2, '0')}`;
const f = (c: number) => (c * 9) / 5 + 32;

const DIALECTS: readonly [string, string, string | undefined][] = [
  ['plain', `t_s,ect_c,rpm\n${lines((i) => `${T[i]},${ECT[i]},${RPM[i]}`)}`, undefined],
  [
    'thirty free lines, one of them the date, and a clock',
    `${Array.from({ length: 30 }, (_, i) => `Line ${i} of the tool`).join('\n')}\nDate: 24-Nov-2026\nTime,Coolant temp (°C),Engine RPM\n${lines((i) => `08:1${2 + (T[i] === 60 ? 1 : 0)}:${String(T[i] % 60).padStart(2, '0')},${ECT[i]},${RPM[i]}`)}`,
    '2026-11-24T08:12:00'
  ],
  [
    'units in a row of their own, written out',
    `Elapsed,Engine coolant,Engine speed\nseconds,degrees Celsius,revolutions per minute\n${lines((i) => `${T[i]},${ECT[i]},${RPM[i]}`)}`,
    undefined
  ],
  [
    'units in brackets in a row of their own',
    `Time;Coolant;Revs\n(s);(°F);(rpm)\n${lines((i) => `${T[i]};${f(ECT[i])};${RPM[i]}`)}`,
    undefined
  ],
  [
    'month names and a clock of twelve hours',
    `Timestamp,Coolant (°C),RPM\n${lines(
      (i) => `Nov 24, 2026 8:12:${String(T[i] % 60).padStart(2, '0')} PM,${ECT[i]},${RPM[i]}`
    )
      .replaceAll(/Nov 24, 2026 [\d:]+ PM/g, (m) => `"${m}"`)
      .replace(/8:12:00 PM",26/, '8:13:00 PM",26')}`,
    '2026-11-24T20:12:00'
  ],
  [
    'a date and a clock in two columns',
    `Date,Time,Coolant (°C),RPM\n${lines((i) => `24.11.2026,${T[i] === 60 ? '08:13:00' : clock(T[i])},${ECT[i]},${RPM[i]}`)}`,
    '2026-11-24T08:12:00'
  ],
  [
    'seconds and a date with its clock beside them',
    `Elapsed (s),Logged at,Coolant (°C),RPM\n${lines((i) => `${T[i]},2026-11-24 08:12:00,${ECT[i]},${RPM[i]}`)}`,
    '2026-11-24T08:12:00'
  ],
  [
    'the date in the middle of a free line, with a comma in it',
    `Pocket reader 3\nTrip of Nov 24, 2026 8:12:00 PM\nDriver: not named\nVersion 3.10.24\n\nTime (sec),Coolant Temp(°F),Engine RPM(rpm)\n${lines((i) => `${T[i]},${f(ECT[i])},${RPM[i]}`)}`,
    '2026-11-24T20:12:00'
  ],
  ['milliseconds', `Time (ms)\tECT\tRPM\n${lines((i) => `${1000 * T[i]}\t${ECT[i]}\t${RPM[i]}`)}`, undefined],
  [
    'minutes with decimals, by a header that is the unit',
    `min,Coolant (°C),RPM\n${lines((i) => `${(T[i] / 60).toFixed(5)},${ECT[i]},${RPM[i]}`)}`,
    undefined
  ],
  [
    'thousandths behind a third colon',
    `clock,ect_c,rpm\n${lines((i) => `${T[i] === 60 ? '08:13:00' : clock(T[i])}:000,${ECT[i]},${RPM[i]}`)}`,
    undefined
  ],
  [
    'a line a value',
    `Time,Name,Value,Unit\n${lines((i) => `${T[i]},Engine coolant temperature,${ECT[i]},°C\n${T[i]},Engine RPM,${RPM[i]},rpm`)}`,
    undefined
  ],
  [
    'a line a value in °F, by semicolons, with decimal commas',
    `Zeit;Kanal;Wert;Einheit\n${lines((i) => `${T[i]};Kühlmitteltemperatur;${String(f(ECT[i])).replace('.', ',')};°F\n${T[i]};Drehzahl;${RPM[i]};1/min`)}`,
    undefined
  ],
  [
    'two brackets in a header',
    `Time (s),Coolant (OBD)(°F),Engine RPM (ECU)(rpm)\n${lines((i) => `${T[i]},${f(ECT[i])},${RPM[i]}`)}`,
    undefined
  ],
  [
    'French',
    `Temps (s);Température du liquide de refroidissement (°C);Régime moteur (tr/min)\n${lines((i) => `${T[i]};${ECT[i]};${RPM[i]}`)}`,
    undefined
  ],
  [
    'Spanish',
    `Tiempo (s),Temperatura del refrigerante (°C),Régimen del motor (rpm)\n${lines((i) => `${T[i]},${ECT[i]},${RPM[i]}`)}`,
    undefined
  ],
  [
    'Italian',
    `Tempo (s);Temperatura liquido refrigerante (°C);Giri motore\n${lines((i) => `${T[i]};${ECT[i]};${RPM[i]}`)}`,
    undefined
  ],
  [
    'Portuguese',
    `Tempo (s);Temperatura do líquido de arrefecimento (°C);Rotação\n${lines((i) => `${T[i]};${ECT[i]};${RPM[i]}`)}`,
    undefined
  ],
  [
    'Dutch',
    `Tijd (s);Koelvloeistoftemperatuur (°C);Toerental\n${lines((i) => `${T[i]};${ECT[i]};${RPM[i]}`)}`,
    undefined
  ],
  [
    'Polish',
    `Czas (s);Temperatura płynu chłodzącego (°C);Obroty silnika\n${lines((i) => `${T[i]};${ECT[i]};${RPM[i]}`)}`,
    undefined
  ],
  [
    'Swedish',
    `Tid (s);Kylvätsketemperatur (°C);Varvtal\n${lines((i) => `${T[i]};${ECT[i]};${RPM[i]}`)}`,
    undefined
  ],
  [
    'German',
    `Zeit (s);Kühlmitteltemperatur (°C);Motordrehzahl (1/min)\n${lines((i) => `${T[i]};${ECT[i]};${RPM[i]}`)}`,
    undefined
  ],
  [
    'a trace of the bus with absolute times and a date',
    `date Tue Nov 24 08:12:00 2026\nbase hex  timestamps absolute\n${lines((i) => `   ${T[i]}.000100 1  7E8             Rx   d 8 03 41 05 ${(ECT[i] + 40).toString(16)} AA AA AA AA\n   ${T[i]}.000200 1  7E8             Rx   d 8 04 41 0C ${((4 * RPM[i]) >> 8).toString(16).padStart(2, '0')} ${((4 * RPM[i]) & 255).toString(16).padStart(2, '0')} AA AA AA`)}`,
    '2026-11-24T08:12:00'
  ],
  [
    'a trace of the bus with times from frame to frame',
    `base hex  timestamps relative\n${lines((i) => ` ${i === 0 ? '0.000000' : '10.000000'} 1  7E8  Rx  d 8 03 41 05 ${(ECT[i] + 40).toString(16)} AA AA AA AA\n 0.000000 1  7E8  Rx  d 8 04 41 0C ${((4 * RPM[i]) >> 8).toString(16).padStart(2, '0')} ${((4 * RPM[i]) & 255).toString(16).padStart(2, '0')} AA AA AA`)}`,
    undefined
  ],
  [
    'broadcast traffic of a heavy vehicle',
    lines(
      (i) =>
        `(${T[i]}.000000)  can0  18FEEE00   [8]  ${(ECT[i] + 40).toString(16)} FF FF FF FF FF FF FF\n(${T[i]}.000100)  can0  0CF00400   [8]  FF FF FF ${((8 * RPM[i]) & 255).toString(16).padStart(2, '0')} ${((8 * RPM[i]) >> 8).toString(16).padStart(2, '0')} FF FF FF`
    ),
    undefined
  ]
];

describe('a log of any reader', () => {
  it.each(DIALECTS)('%s', (_, text, startedAt) => {
    const log = read(text);
    expect(Array.from(log.t, (s) => Math.round(s))).toEqual(T);
    expect(column(log, 'ect_c')).toEqual(ECT);
    expect(column(log, 'rpm')).toEqual(RPM);
    expect(log.startedAt?.slice(0, 19)).toBe(startedAt);
  });

  it('reads the same whatever the order of its columns, its separator, its clock and its units', () => {
    const arrangement = fc.record({
      order: fc.shuffledSubarray([0, 1, 2], { minLength: 3, maxLength: 3 }),
      separator: fc.constantFrom(',', ';', '\t', '|'),
      time: fc.constantFrom(
        ['Time (s)', (s: number) => String(s)] as const,
        ['Time (ms)', (s: number) => String(1000 * s)] as const,
        ['Time (min)', (s: number) => (s / 60).toFixed(6)] as const,
        ['Clock', (s: number) => (s === 60 ? '08:13:00' : clock(s))] as const,
        ['Timestamp', (s: number) => `24 Nov 2026 ${s === 60 ? '08:13:00' : clock(s)}`] as const,
        ['Timestamp', (s: number) => `2026-11-24T${s === 60 ? '08:13:00' : clock(s)}Z`] as const
      ),
      coolant: fc.constantFrom(
        ['Coolant temp (°C)', (c: number) => String(c)] as const,
        ['Coolant temp (°F)', (c: number) => f(c).toFixed(1)] as const,
        ['ECT [K]', (c: number) => (c + 273.15).toFixed(2)] as const
      ),
      free: fc.integer({ min: 0, max: 40 })
    });
    fc.assert(
      fc.property(arrangement, ({ order, separator, time, coolant, free }) => {
        const cells = (i: number | null) => {
          const all = [
            i === null ? time[0] : time[1](T[i]),
            i === null ? coolant[0] : coolant[1](ECT[i]),
            i === null ? 'Engine RPM' : String(RPM[i])
          ];
          return order.map((k) => all[k]).join(separator);
        };
        const text = [
          ...Array.from({ length: free }, (_, i) => `Free line ${i}`),
          cells(null),
          ...T.map((_, i) => cells(i))
        ].join('\n');
        const log = read(text);
        expect(Array.from(log.t, (s) => Math.round(s))).toEqual(T);
        expect(column(log, 'ect_c')).toEqual(ECT);
        expect(column(log, 'rpm')).toEqual(RPM);
      }),
      { numRuns: 120 }
    );
  });
});

describe('what no engine does', () => {
  const warm = (header: string, time: (s: number) => string) =>
    `${header},Coolant (°C)\n${Array.from({ length: 61 }, (_, i) => `${time(20 * i)},${(13 + 70 * Math.min(1, i / 50)).toFixed(1)}`).join('\n')}`;

  it('is asked about: minutes under a header that does not say so', () => {
    const [problem] = refused(warm('Stamp of time', (s) => (s / 60).toFixed(4)));
    expect(problem).toMatchObject({ field: 'Stamp of time', ask: true });
    expect(problem.message).toMatch(
      /warm by 2\d\d.°C a minute, and no engine does; is the time written in minutes\?/
    );
    // Whoever knows better has it taken as it is; said in the header it is read right at once.
    expect(
      read(
        warm('Stamp of time', (s) => (s / 60).toFixed(4)),
        { asItIs: true }
      ).t.at(-1)
    ).toBeCloseTo(20, 3);
    expect(read(warm('min', (s) => (s / 60).toFixed(4))).t.at(-1)).toBeCloseTo(1200, 0);
    expect(read(warm('s', String)).t.at(-1)).toBe(1200);
  });

  it('is not a sensor that jumps, nor an engine that was driven hard', () => {
    const jumps = `t_s,ect_c\n${Array.from({ length: 60 }, (_, i) => `${i},${i < 20 ? -40 : 88 + (i % 3)}`).join('\n')}`;
    expect(refused(jumps)).toEqual([]);
    expect(refused(warm('s', (s) => String(s / 4)))).toEqual([]);
  });

  it('is asked about: a coolant without a unit that may be °C or °F', () => {
    const to = (hottest: number, header = 'coolant') =>
      `time,${header}\n${Array.from({ length: 200 }, (_, i) => `${5 * i},${Math.min(hottest, 60 + i)}`).join('\n')}`;
    expect(refused(to(118))).toEqual([
      { field: 'coolant', message: 'has no unit, and 118 may be °C or °F; choose its unit', ask: true }
    ]);
    expect(refused(to(118, 'coolant (°C)'))).toEqual([]);
    expect(refused(to(92))).toEqual([]);
    expect(column(read(to(195)), 'ect_c')!.at(-1)).toBeCloseTo(90.6, 1);
  });

  it('is asked about: a date in 1999, of a clock that was never set', () => {
    const text = (year: number) => `Date: ${year}-03-12 08:00:00\n${warm('s', String)}`;
    expect(refused(text(1999))).toEqual([
      {
        field: 'Recorded on',
        message: 'is 1999-03-12; was the clock of the reader ever set? Give the day it was recorded on',
        ask: true
      }
    ]);
    expect(read(text(1999), { asItIs: true }).startedAt).toContain('1999-03-12');
    expect(read(text(2026)).startedAt).toContain('2026-03-12');
  });

  it('is refused: a time that jumps by days, or by more than there is', () => {
    for (const far of ['260000', '1e300', '99999999999'])
      expect(refused(`t_s,ect_c\n0,20\n1,21\n2,22\n${far},23\n`)[0]).toMatchObject({ field: 't_s' });
    expect(refused('t_s,ect_c\n0,20\n1,21\n2,22\n260000,23\n')[0].message).toMatch(
      /jumps by 72 h after sample 3/
    );
  });

  it('is named: no header, two headers, one row, prose', () => {
    expect(refused('0,20\n1,21\n2,22\n')[0].message).toContain('no coolant temperature column');
    expect(refused('time,coolant\n')[0].message).toContain('no row of numbers');
    expect(refused('time,coolant (°C)\n0,20\n')[0].message).toContain('only 1 readable sample');
    expect(refused('It was hot, and then it was not, said the driver.')[0].message).toContain(
      'no row of numbers'
    );
    const twice = 'time,coolant (°C)\n0,20\n1,21\n2,22\n3,23\n4,24\ntime,coolant (°C)\n0,30\n1,31\n';
    expect(refused(twice)[0]).toMatchObject({ line: 7 });
    const wide = Array.from({ length: 5000 }, (_, i) => `c${i}`).join(',');
    expect(refused(`${wide}\n${wide.replaceAll('c', '')}\n`).length).toBeGreaterThan(0);
  });
});
