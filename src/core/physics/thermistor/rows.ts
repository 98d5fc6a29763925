import Papa from 'papaparse';
import { bad, good, type Problem, type Result } from '../../base/result';
import { parseQuantity } from '../../units/quantity';
import { baseUnit, findUnit, UNITS, type Unit } from '../../units/units';
import { problemsOfPoints, type CurvePoint } from './fit';

/** Rows of two columns as a spreadsheet, a file or a hand gives them: by tab, semicolon, comma or blanks. */
function cellsOf(text: string): string[][] {
  const lines = text
    .trim()
    .split(/\r?\n/)
    .filter((l) => l.trim() !== '');
  const some = (sign: RegExp) => lines.some((l) => sign.test(l));
  const delimiter = some(/\t/)
    ? '\t'
    : some(/;/)
      ? ';'
      : some(/\d,?\s*,|,\s/) || lines.every((l) => l.includes(','))
        ? ','
        : ' ';
  const plain = delimiter === ' ' ? lines.map((l) => l.trim().replace(/\s+/g, ' ')) : lines;
  return Papa.parse<string[]>(plain.join('\n'), { delimiter }).data.map((row) => row.map((c) => c.trim()));
}

/** The units a heading names, or those of the core. */
function unitsOf(heading: readonly string[] | null): { celsius: Unit; ohm: number } {
  const words = (heading ?? []).flatMap((cell) => cell.split(/[\s()[\],/]+/)).filter(Boolean);
  const celsius = words.flatMap((w) => findUnit('temperature', w) ?? []).find((u) => u.symbol !== 'K');
  const kilo = words.some((w) => /^k(Ω|ohms?)$/i.test(w));
  return { celsius: celsius ?? baseUnit('temperature'), ohm: kilo ? 1000 : 1 };
}

/**
 * Points of a sensor from text: °C (or °F, by the heading or by cell: `187F`) and Ω (`5.2k`, or kΩ by the heading),
 * decimal point or comma. A first line without numbers is the heading. Problems name the line, and rows that no
 * NTC could give are refused as {@link problemsOfPoints} says.
 */
export function pointsFromText(text: string): Result<CurvePoint[]> {
  const rows = cellsOf(text);
  const heading = rows.length > 0 && !/^[-+−–]?\d/.test(rows[0][0]) ? rows[0] : null;
  const units = unitsOf(heading);
  const problems: Problem[] = [];
  const points: CurvePoint[] = [];
  const skipped = heading ? 1 : 0;
  rows.slice(skipped).forEach((row, i) => {
    const line = i + 1 + skipped;
    const [celsius, ohm] = [row[0] ?? '', row[1] ?? ''];
    const c = parseQuantity(celsius, 'temperature', units.celsius);
    const r = parseQuantity(ohm, 'resistance', { ...UNITS.resistance[0], factor: units.ohm });
    if (c.ok && r.ok) points.push([c.value.value, r.value.value]);
    else
      problems.push({
        line,
        message: `“${row.join(' ')}” is not a temperature and a resistance (${[c, r].flatMap((x) => (x.ok ? [] : x.problems)).map((p) => p.message)[0]})`
      });
  });
  if (problems.length > 0) return bad(...problems);
  if (points.length === 0) return bad({ message: 'there is no row of a temperature and a resistance' });
  const wrong = problemsOfPoints(points);
  return wrong.length > 0 ? bad(...wrong) : good(points);
}
