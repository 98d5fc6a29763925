import { withValue } from '../units/field';
import { readNumber } from '../units/quantity';
import { findUnit, toBase, UNITS, type QuantityKind } from '../units/units';

/** One line of a pasted page that is a value of the sheet. */
interface Understood {
  /** Line of the page, from 1, and its text. */
  readonly line: number;
  readonly text: string;
  readonly path: string;
  readonly value: unknown;
}

export interface PastedSheet {
  readonly understood: readonly Understood[];
  /** Lines with a figure in them that were not understood, and why where that is known. */
  readonly left: readonly { readonly line: number; readonly text: string; readonly why: string }[];
}

interface Measure {
  readonly kind: QuantityKind | null;
  /** In the core's unit, or as it stands where no unit does. */
  readonly value: number;
  readonly at: number;
}

/** What a line must say to be about a field: its own words, or those of its heading. The first that fits counts. */
const LINES: readonly {
  readonly path: string;
  readonly kind: QuantityKind;
  readonly words: RegExp;
  readonly not?: RegExp;
}[] = [
  {
    path: 'thermostat.closedByC',
    kind: 'temperature',
    words: /thermostat.*clos|closed (again )?by|fully closed/
  },
  {
    path: 'thermostat.fullOpenC',
    kind: 'temperature',
    words: /full(y)?[ -]?open|open(ed)? fully|completely open/
  },
  {
    path: 'thermostat.startOpenC',
    kind: 'temperature',
    words: /(start|begin)s?( to)? open|thermostat.*(open|stamp|rating|mark)|opening temp|^thermostat\W*$/
  },
  { path: 'thermostat.minLiftMm', kind: 'length', words: /\blift\b|valve travel/ },
  {
    path: 'limits.stopC',
    kind: 'temperature',
    words: /stop (the )?engine|shut ?down|do not exceed|maximum (coolant )?temp/
  },
  {
    path: 'limits.hotC',
    kind: 'temperature',
    words: /over-?heat|hot (above|warning)|warning (lamp|light|temp)|red zone/
  },
  { path: 'cap.kPa', kind: 'pressure', words: /\bcap\b|relief|opening pressure/ },
  {
    path: 'engine.coolantL',
    kind: 'volume',
    words:
      /coolant.*(capacity|fill|quantity|volume)|(capacity|filling).*coolant|cooling system.*capacity|^coolant\W*$/
  },
  { path: 'engine.displacementL', kind: 'volume', words: /displacement|engine size|swept|cubic capacity/ },
  { path: 'fan.ratedA', kind: 'current', words: /\bfan\b/ },
  { path: 'fan.afterRunMaxMin', kind: 'time', words: /after[ -]?run|run[ -]?on|after (key|ignition)/ },
  { path: 'ect.pullUpOhm', kind: 'resistance', words: /pull[ -]?up/ },
  { path: 'ect.referenceV', kind: 'voltage', words: /reference|supply (to|of) (the )?sensor/ },
  { path: 'thermostat.heaterOhm', kind: 'resistance', words: /thermostat.*heat|heater? element/ },
  { path: 'clutch.engageAirC', kind: 'temperature', words: /engag/ },
  { path: 'clutch.releaseAirC', kind: 'temperature', words: /clutch.*(releas|let)|disengag/ }
];

/** Tightening values by what a line names. */
const TORQUES: readonly (readonly [string, RegExp])[] = [
  ['ectSensor', /sensor/],
  ['thermostatHousing', /thermostat|housing/],
  ['fanClutchNut', /clutch|fan nut/],
  ['waterPump', /pump/],
  ['drainPlug', /drain/]
];

const CHOICES: readonly {
  readonly path: string;
  readonly words: RegExp;
  readonly of: Readonly<Record<string, RegExp>>;
}[] = [
  {
    path: 'engine.fuel',
    words: /^fuel\b/,
    of: { diesel: /diesel/, hybrid: /hybrid/, petrol: /petrol|gasoline/, gas: /\b(lpg|cng|gas)\b/ }
  },
  {
    path: 'thermostat.side',
    words: /thermostat/,
    of: { inlet: /\binlet\b|return side/, outlet: /\boutlet\b/ }
  },
  {
    path: 'fan.drive',
    words: /fan/,
    of: { relay: /relay/, controller: /controller|pwm|pulse|control module/ }
  }
];

/** A number with the unit behind it; “83 to 97 °C” is two of them. */
const MEASURE = /([-+−–]?\d[\d.,]*)\s*((?:°|º|deg\.?|degrees?)?\s?[a-zµμΩ·/%-]+(?:\s?(?:lb|ft|qt))?)?/giu;

const plainKinds = (Object.keys(UNITS) as QuantityKind[]).filter(
  (k) => k !== 'number' && k !== 'difference' && k !== 'share'
);
const MORE_UNITS: Readonly<Record<string, { readonly kind: QuantityKind; readonly factor: number }>> = {
  kω: { kind: 'resistance', factor: 1000 },
  kohm: { kind: 'resistance', factor: 1000 },
  kohms: { kind: 'resistance', factor: 1000 },
  k: { kind: 'resistance', factor: 1000 },
  cc: { kind: 'volume', factor: 0.001 },
  cm3: { kind: 'volume', factor: 0.001 },
  ci: { kind: 'volume', factor: 0.0163871 },
  ml: { kind: 'volume', factor: 0.001 }
};

/** A value in the core's unit, with the kind its unit tells; none where what follows is no unit. */
function inUnit(value: number, unit: string): Omit<Measure, 'at'> {
  const word = unit.trim().toLowerCase();
  const more = MORE_UNITS[word.replace(/\s/g, '')];
  if (more) return { kind: more.kind, value: value * more.factor };
  for (const kind of plainKinds) {
    const found = findUnit(kind, word.replace(/^(deg\.?|degrees?)\s?/, ''));
    if (found && word !== '') return { kind, value: toBase(value, found) };
  }
  return { kind: null, value };
}

function measuresOf(text: string): Measure[] {
  const found = [...text.matchAll(MEASURE)].flatMap((m): Measure[] => {
    // A figure within a word, as in “M8” or “stage 1 on”, is none.
    if (m.index > 0 && /[\p{L}\d]/u.test(text[m.index - 1])) return [];
    const bare = m[1]
      .replace(/[.,]$/, '')
      .replace(/^[–−]/, m.index > 0 && /\d\s*$/.test(text.slice(0, m.index)) ? '' : '-');
    const number = readNumber(bare);
    return typeof number === 'object' ? [] : [{ ...inUnit(number, m[2] ?? ''), at: m.index }];
  });
  // Of a range the unit stands behind its end.
  return found.map((m, i) => {
    const next = found[i + 1];
    if (m.kind !== null || !next?.kind) return m;
    const between = text.slice(m.at, next.at);
    if (!/^[-+−–]?[\d.,]+\s*(to|and|[-–−…]|\.\.\.?)\s*$/i.test(between)) return m;
    const unit = /[\d.,]\s*((?:°|º|deg\.?|degrees?)?\s?[a-zµμΩ·]+)/iu.exec(text.slice(next.at))?.[1] ?? '';
    return { ...inUnit(m.value, unit), at: m.at };
  });
}

const rounded = (value: number) => Number(value.toPrecision(9));

/**
 * Finds the values of a spec sheet on a page of text: a line or a row of a table each, in any of our units. Only what
 * has its unit is taken; what was not understood is named. Pure.
 */
export function readPasted(page: string): PastedSheet {
  const understood: Understood[] = [];
  const left: { line: number; text: string; why: string }[] = [];
  const curve: { line: number; text: string; points: [number, number][] } = { line: 0, text: '', points: [] };
  let heading = '';
  page.split(/\r?\n/).forEach((raw, i) => {
    const text = raw.trim().replace(/\t/g, '  ');
    const line = i + 1;
    if (text === '') return;
    const take = (path: string, value: unknown) => understood.push({ line, text, path, value });
    const low = text.toLowerCase();
    const measures = measuresOf(text);
    for (const { path, words, of } of CHOICES) {
      if (!words.test(low) && !words.test(heading)) continue;
      const value = Object.keys(of).find((v) => of[v].test(low));
      if (value) take(path, value);
    }
    if (measures.length === 0) {
      if (text.length < 60) heading = low.replace(/[:.]\s*$/, '');
      return;
    }
    const before = understood.length;
    const [first, second] = measures;
    const pair = measures.length === 2 && first.kind === 'temperature' && second.kind === 'resistance';
    if (pair) {
      if (curve.points.length === 0) Object.assign(curve, { line, text });
      curve.points.push([rounded(first.value), rounded(second.value)]);
      return;
    }
    const about = low.slice(0, first.at).trim();
    if (/\bfan\b/.test(about) && fanStage(low, measures, take, understood)) return;
    if (/regulat|operating temp|normal (coolant )?temp/.test(about) && first.kind === 'temperature') {
      take('regulating.lowC', rounded(first.value));
      if (second?.kind === 'temperature') take('regulating.highC', rounded(second.value));
    } else if (first.kind === 'torque') {
      const named = TORQUES.find(([, words]) => words.test(about));
      if (named) take(`torqueNm.${named[0]}`, rounded(first.value));
    } else
      for (const said of [about, `${heading} ${about}`]) {
        const field = LINES.find((f) => f.kind === first.kind && f.words.test(said));
        if (!field) continue;
        take(field.path, rounded(first.value));
        break;
      }
    if (understood.length === before)
      left.push({
        line,
        text,
        why:
          first.kind === null ? 'no unit stands behind the figure' : 'not a value of the sheet that we know'
      });
  });
  if (curve.points.length > 1)
    understood.push({
      line: curve.line,
      text: `${curve.text} … ${curve.points.length} rows`,
      path: 'ect.curve',
      value: { kind: 'table', points: curve.points.toSorted((a, b) => a[0] - b[0]) }
    });
  return { understood: once(understood), left };
}

/** A stage of the fan by where it comes on, and goes off where that is said. */
function fanStage(
  low: string,
  measures: readonly Measure[],
  take: (path: string, value: unknown) => void,
  understood: readonly Understood[]
): boolean {
  const temperatures = measures.filter((m) => m.kind === 'temperature');
  if (temperatures.length === 0) return false;
  const [on, off] = temperatures;
  const offOnly = /\boff\b/.test(low.slice(0, on.at)) && !/\bon\b/.test(low.slice(0, on.at));
  const n = understood.filter((u) => /^fan\.stages\.\d+\.onC$/.test(u.path)).length;
  if (offOnly) {
    if (n > 0) take(`fan.stages.${n - 1}.offC`, rounded(on.value));
    return n > 0;
  }
  const name = /\b(low|high|slow|fast|first|second|third)\b/.exec(low)?.[1] ?? (n === 0 ? 'low' : 'high');
  take(`fan.stages.${n}.name`, name);
  take(`fan.stages.${n}.onC`, rounded(on.value));
  if (off) take(`fan.stages.${n}.offC`, rounded(off.value));
  return true;
}

/** Of what is said twice the first counts. */
const once = (all: readonly Understood[]) =>
  all.filter((u, i) => all.findIndex((o) => o.path === u.path) === i);

/** A sheet with what a page said put in; what it did not speak of stays. */
export function withPasted(
  sheet: Readonly<Record<string, unknown>>,
  { understood }: PastedSheet
): Record<string, unknown> {
  let next: Record<string, unknown> = { ...sheet };
  const stages: Record<string, unknown>[] = [];
  for (const { path, value } of understood) {
    const stage = /^fan\.stages\.(\d+)\.(\w+)$/.exec(path);
    if (stage) stages[Number(stage[1])] = { ...stages[Number(stage[1])], [stage[2]]: value };
    else next = withValue(next, path, value);
  }
  if (stages.length > 0) next = withValue(next, 'fan.stages', stages);
  return next;
}
