import { meaningsOf, resolutionAt, voltsOf, type SensorCircuit } from '../core/physics/thermistor/circuit';
import { resistanceAt, temperatureAt } from '../core/physics/thermistor/curve';
import type { Curve } from '../core/vehicle/sensor-curve';
import type { CurvePoint } from '../core/physics/thermistor/fit';
import { LIBRARY, libraryCurve, matches, type Match } from '../core/physics/thermistor/library';
import { switchesAt } from '../core/physics/thermistor/parallel';

/** What `pyrethos curve` is asked: where the curve comes from, and what to make of it. */
export interface CurveAsk {
  readonly curve: Curve;
  readonly residualC: number | null;
  readonly points: readonly CurvePoint[];
  readonly circuit: SensorCircuit | null;
  readonly at: readonly number[];
  readonly ohm: readonly number[];
  readonly volts: readonly number[];
  readonly across: { readonly ohm: number; readonly onC: number } | null;
}

export const families = (): string =>
  LIBRARY.map(({ id, title }) => `${id.padEnd(20)} ${title}`).join('\n') + '\n';

export const familyOf = (id: string): Curve | undefined => libraryCurve(id)?.curve;

/** The answers as data: the form of `--json`. */
export function curveAnswers({ curve, residualC, points, circuit, at, ohm, volts, across }: CurveAsk) {
  const nearest: readonly Match[] = points.length > 0 ? matches(LIBRARY, points).slice(0, 3) : [];
  return {
    curve,
    residualC,
    nearest,
    at: at.map((celsius) => {
      const r = resistanceAt(curve, celsius);
      return {
        celsius,
        ohm: r,
        ...(circuit
          ? {
              volts: voltsOf(circuit, r, 'cold'),
              mvPerC: resolutionAt(circuit, curve, celsius, 'cold').mvPerC
            }
          : {})
      };
    }),
    ofOhm: ohm.map((r) => ({ ohm: r, celsius: temperatureAt(curve, r) })),
    ofVolts: circuit ? volts.map((v) => ({ volts: v, meanings: meaningsOf(circuit, curve, v) })) : [],
    across: across && { ...across, switchesAtC: switchesAt(curve, across.onC, across.ohm) }
  };
}

/** The same as a page of text. */
export function curveText(ask: CurveAsk): string {
  const said = curveAnswers(ask);
  const n = (x: number, digits = 1) => x.toFixed(digits);
  const lines = [`Curve: ${curveWords(said.curve)}`];
  if (said.residualC !== null && ask.points.length > 0)
    lines.push(`Fitted to ${ask.points.length} points, left over ${n(said.residualC, 2)} °C`);
  for (const { id, residualC } of said.nearest) lines.push(`  family ${id}: off by ${n(residualC)} °C`);
  if (said.at.length > 0) {
    lines.push(ask.circuit ? '      °C          Ω        V    mV/°C' : '      °C          Ω');
    for (const row of said.at)
      lines.push(
        `${n(row.celsius).padStart(8)} ${n(row.ohm).padStart(10)}${row.volts === undefined ? '' : ` ${n(row.volts, 3).padStart(8)} ${n(row.mvPerC!).padStart(8)}`}`
      );
  }
  for (const { ohm, celsius } of said.ofOhm) lines.push(`${ohm} Ω is ${n(celsius)} °C`);
  for (const { volts, meanings } of said.ofVolts)
    lines.push(
      `${volts} V is ${meanings.map((m) => `${n(m.celsius)} °C${meanings.length > 1 ? ` in the ${m.range} range` : ''}`).join(' or ')}`
    );
  if (said.across)
    lines.push(
      said.across.switchesAtC === null
        ? `With ${said.across.ohm} Ω across it, it would switch at any temperature`
        : `With ${said.across.ohm} Ω across it, what switches at ${said.across.onC} °C does so at ${n(said.across.switchesAtC)} °C`
    );
  return `${lines.join('\n')}\n`;
}

function curveWords(curve: Curve): string {
  switch (curve.kind) {
    case 'beta':
      return `R25 ${curve.r25Ohm.toFixed(1)} Ω, β ${curve.betaK.toFixed(1)} K`;
    case 'steinhart-hart':
      return `Steinhart–Hart a ${curve.a.toExponential(6)}, b ${curve.b.toExponential(6)}, c ${curve.c.toExponential(6)}`;
    case 'table':
      return `table of ${curve.points.length} points`;
  }
}
