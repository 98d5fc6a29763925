import { describe, expect, it } from 'vitest';
import { writeLog } from './csv-export';
import { readLog, type ImportedLog } from './csv-import';
import { asText, sniff } from './csv-sniff';

const bytes = (text: string) => new TextEncoder().encode(text);
const rows = (n: number, row: (i: number) => string) =>
  Array.from({ length: n }, (_, i) => row(i)).join('\n');
const read = (text: string | Uint8Array, skipBrokenRows = false): ImportedLog & { warnings: string[] } => {
  const result = readLog(typeof text === 'string' ? bytes(text) : text, { skipBrokenRows });
  if (!result.ok) throw new Error(result.problems.map((p) => `${p.line ?? '-'} ${p.message}`).join(' | '));
  return { ...result.value, warnings: result.warnings.map((w) => `${w.line ?? '-'} ${w.message}`) };
};
const refusal = (text: string | Uint8Array) => {
  const result = readLog(typeof text === 'string' ? bytes(text) : text);
  return result.ok
    ? 'imported'
    : result.problems.map((p) => `${p.line ?? '-'} ${p.field ?? '-'} ${p.message}`).join(' | ');
};
const useOf = (header: string, row = '0,1,2') => {
  const layout = sniff(bytes(`${header}\n${row}\n${row}\n${row}\n`));
  return layout.ok
    ? layout.value.columns.map((c) =>
        c.use.kind === 'channel' ? `${c.use.channel} ${c.use.unit}` : c.use.kind
      )
    : layout.problems;
};

describe('a log with headers of its own', () => {
  it('takes quantity and unit from the words of a header', () => {
    expect(
      useOf(
        'Elapsed (s),Coolant temp (°F),Vehicle speed [mph],Engine RPM,Calculated load (%),Intake air temperature,Fan duty %',
        '0,60,0,800,20,15,0'
      )
    ).toEqual(['time', 'ect_c °F', 'speed_kmh mph', 'rpm rpm', 'load_pct %', 'iat_c °C', 'fan_pct %']);
    expect(useOf('Time_ms,ECT_C,Fan speed (rpm),Fan command,Upper hose °C,A/C', '0,60,900,50,20,1')).toEqual([
      'time',
      'ect_c °C',
      'fan_rpm rpm',
      'fan_cmd_pct %',
      'upper_hose_c °C',
      'ac_on '
    ]);
    expect(useOf('t;EngineCoolantTemp;Engine speed;Outside temp;Note', '0;60;900;3;x')).toEqual([
      'time',
      'ect_c °C',
      'rpm rpm',
      'ambient_c °C',
      'event'
    ]);
  });

  it('converts °F, mph and milliseconds', () => {
    const { log } = read(
      'Time (ms),Coolant temp (°F),Vehicle speed [mph]\n0,50,0\n1000,212,10\n2000,212,20\n'
    );
    expect([...log.t]).toEqual([0, 1, 2]);
    expect(log.channels.ect_c![1]).toBeCloseTo(100, 4);
    expect(log.channels.speed_kmh![2]).toBeCloseTo(32.187, 2);
  });

  it('sees °F in the values where no header says so', () => {
    const { log } = read(`time,coolant\n${rows(200, (i) => `${i},${Math.min(60 + i, 195)}`)}\n`);
    expect(log.channels.ect_c![199]).toBeCloseTo(90.56, 1);
  });

  it('reads semicolons, decimal commas, a unit row, a preamble and a byte-order mark', () => {
    const { log } = read(
      '\ufeffLogger 7;serial 12\nZeit;Kühlmittel;Drehzahl\ns;°C;rpm\n0,0;12,5;800\n0,5;13,0;810\n1,0;13,5;\n'
    );
    expect([...log.t]).toEqual([0, 0.5, 1]);
    expect([...log.channels.ect_c!]).toEqual([12.5, 13, 13.5]);
    expect(log.channels.rpm![2]).toBeNaN();
  });

  it('reads UTF-16 and the old Windows code page', () => {
    const utf16 = new Uint8Array([
      0xff,
      0xfe,
      ...[...'time,coolant\n0,20\n1,21\n'].flatMap((c) => [c.charCodeAt(0), 0])
    ]);
    expect([...read(utf16).log.channels.ect_c!]).toEqual([20, 21]);
    const old = bytes('time,Coolant (?F)\n0,50\n1,50\n').map((b) => (b === 63 ? 0xb0 : b));
    expect(read(old).log.channels.ect_c![0]).toBeCloseTo(10, 4);
  });

  it('reads clock times over midnight, am and pm, and dates, and remembers the start', () => {
    expect([...read('clock,ect_c\n23:59:58,20\n23:59:59.5,21\n00:00:01,22\n').log.t]).toEqual([0, 1.5, 3]);
    expect([...read('time,ect_c\n11:59:59 AM,20\n12:00:01 PM,21\n').log.t]).toEqual([0, 2]);
    const dated = read('Timestamp,ect_c\n2026-11-24T08:12:00Z,20\n2026-11-24T08:12:10Z,21\n').log;
    expect([...dated.t]).toEqual([0, 10]);
    expect(dated.startedAt).toBe('2026-11-24T08:12:00');
    expect([...read('epoch time,ect_c\n1764000000,20\n1764000002,21\n').log.t]).toEqual([0, 2]);
  });

  it('keeps marks with their times and reads switches', () => {
    const { log } = read('t_s,ect_c,ac_on,event\n5,20,off,\n6,20,on,"moved off, hill"\n7,21,,\n');
    expect(log.events).toEqual([{ t: 1, text: 'moved off, hill' }]);
    expect([log.channels.ac_on![0], log.channels.ac_on![1]]).toEqual([0, 1]);
  });

  it('takes a fan column of nothing but 0 and 1 for a switch, and says so', () => {
    const { log, warnings } = read(
      `time,coolant °C,Cooling fan\n${rows(20, (i) => `${i},90,${i > 9 ? 1 : 0}`)}\n`
    );
    expect(log.channels.fan_pct![15]).toBe(100);
    expect(warnings.join()).toContain('1 is 100 %');
  });
});

describe('a log with faults in its times', () => {
  it('drops repeated stamps but the last, named by line', () => {
    const { log, warnings, report } = read('t_s,ect_c\n0,10\n1,11\n1,12\n2,13\n3,14\n4,14\n5,14\n6,14\n');
    expect([...log.channels.ect_c!].slice(0, 3)).toEqual([10, 12, 13]);
    expect(report.repeatedTimes).toBe(1);
    expect(warnings[0]).toContain('4 1 row repeats');
  });

  it('spreads the samples of a clock that is coarser than the logging', () => {
    const { log } = read(`clock,ect_c\n${rows(12, (i) => `08:00:0${Math.floor(i / 4)},${20 + i}`)}\n`);
    expect([...log.t].slice(0, 6)).toEqual([0, 0.25, 0.5, 0.75, 1, 1.25]);
  });

  it('leaves a few backward rows out, and refuses two logs in one file naming the line', () => {
    const some = read(`t_s,ect_c\n${rows(100, (i) => `${i === 50 ? 20 : i},20`)}\n`);
    expect(some.report.backwardTimes).toBe(1);
    expect(some.warnings[0]).toContain('52 time goes back from 49 s to 20 s');
    expect(refusal(`t_s,ect_c\n${rows(50, (i) => `${i},20`)}\n${rows(40, (i) => `${i},20`)}\n`)).toMatch(
      /^52 .*expected one log with rising time/
    );
  });

  it('finds gaps', () => {
    const { report } = read(`t_s,ect_c\n${rows(40, (i) => `${i < 20 ? i : i + 300},20`)}\n`);
    expect(report.gaps).toEqual([{ fromS: 19, toS: 320 }]);
  });
});

describe('a file that cannot be imported', () => {
  it.each([
    ['empty', '', 'empty; expected a header row'],
    [
      'no coolant column',
      'time,rpm\n0,800\n1,800\n',
      '1 - no coolant temperature column among “time”, “rpm”; expected ect_c or a name such as'
    ],
    ['no time column', 'coolant,rpm\n20,800\n20,800\n', 'no time column among'],
    [
      'text for a number',
      't_s,ect_c\n0,20\n1,warm\n2,20\n',
      '3 ect_c “warm” is not a reading; expected a number in °C'
    ],
    ['a short row', 't_s,ect_c,rpm\n0,20,800\n1,20\n2,20,800\n', '3 - has 2 cells; expected 3'],
    [
      'a temperature no engine has',
      't_s,ect_c\n0,20\n1,900\n2,20\n',
      '3 ect_c 900 °C is outside -60 … 230 °C'
    ],
    [
      'blank coolant cells only',
      't_s,ect_c,rpm\n0,,800\n1,n/a,800\n',
      'every cell of the coolant column is blank'
    ],
    [
      'a time that is none',
      't_s,ect_c\n0,20\nlater,20\n2,20\n',
      '3 t_s “later” is not a time; expected a number'
    ],
    ['prose', 'the engine ran hot\nagain\n', 'no row of numbers follows']
  ])('%s', (_, text, expected) => {
    expect(refusal(text)).toContain(expected);
  });

  it('is not text', () => {
    const picture = asText(new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 13]));
    expect(!picture.ok && picture.problems[0].message).toContain('not text');
  });

  it('is imported without its broken rows when told so', () => {
    const { report, log } = read('t_s,ect_c\n0,20\n1,warm\n2,20\n3\n4,21\n', true);
    expect(report.brokenRows).toBe(2);
    expect([...log.t]).toEqual([0, 2, 4]);
  });

  it('loses only its last row when that was cut off in mid-write', () => {
    expect([...read('t_s,ect_c,rpm\n0,20,800\n1,20,800\n2,2').log.t]).toEqual([0, 1]);
  });
});

it.each(['=1+1', '+49', '-2', '@here', "'=1", 'rough idle', "'t was hot"])(
  'a mark %s goes through a spreadsheet as no formula, and comes back as it was',
  (text) => {
    const log = { ...read('t_s,ect_c\n0,20\n1,21\n').log, events: [{ t: 0, text }] };
    const written = writeLog(log);
    expect(written).not.toMatch(/,[=+\-@]/);
    expect(read(written).log.events).toEqual([{ t: 0, text }]);
  }
);

it('writes canonical columns that read back as they were', () => {
  const first = read('t_s,ect_c,rpm,event\n0,20,800,\n0.5,20.25,,"a ""b"", c"\n1,21,810,\n').log;
  const again = read(writeLog(first)).log;
  expect(again).toEqual(first);
});
