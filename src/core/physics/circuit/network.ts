import { solve } from '../../base/linear';

/** A direct-current network: resistors between named nodes, and sources behind a resistance. `0` is battery minus. */
export interface Network {
  readonly resistors: readonly (readonly [a: string, b: string, ohm: number])[];
  readonly sources: readonly { readonly node: string; readonly volts: number; readonly ohm: number }[];
}

export const GROUND = '0';
/** What a meter draws: it is part of what it measures. */
export const METER_OHM = 10e6;
/** An open contact still leaks a little; a good one still resists. Ω. */
export const OPEN_OHM = 1e9;
export const CLOSED_OHM = 0.02;
/** Every node leaks this much to ground, so that one that hangs in the air has a voltage at all, S. */
const LEAK_S = 1e-13;

/**
 * Node voltages by nodal analysis: the currents of conductances and sources (as Norton pairs) sum to nothing at each
 * node but ground. Resistances must be above 0 Ω. Throws RangeError for one that is not.
 */
export function voltagesOf({ resistors, sources }: Network): ReadonlyMap<string, number> {
  const nodes = [
    ...new Set([...resistors.flatMap(([a, b]) => [a, b]), ...sources.map((s) => s.node)])
  ].filter((n) => n !== GROUND);
  const at = new Map(nodes.map((n, i) => [n, i]));
  const rows = nodes.map(() => new Array<number>(nodes.length + 1).fill(0));
  const conduct = (ohm: number) => {
    if (!(ohm > 0)) throw new RangeError(`${ohm} Ω is not above 0 Ω`);
    return 1 / ohm;
  };
  const between = (a: string, b: string, g: number) => {
    for (const [from, to] of [
      [a, b],
      [b, a]
    ]) {
      const i = at.get(from);
      if (i === undefined) continue;
      rows[i][i] += g;
      const j = at.get(to);
      if (j !== undefined) rows[i][j] -= g;
    }
  };
  for (const [a, b, ohm] of resistors) between(a, b, conduct(ohm));
  for (const { node, volts, ohm } of sources) {
    const i = at.get(node)!;
    rows[i][i] += conduct(ohm);
    rows[i][nodes.length] += volts * conduct(ohm);
  }
  rows.forEach((row, i) => (row[i] += LEAK_S));
  const solved = solve(rows);
  return new Map([[GROUND, 0], ...nodes.map((n, i): [string, number] => [n, solved[i]])]);
}

/** What a meter shows between two nodes, V: with its own resistance in the circuit. */
export function meterReads(network: Network, plus: string, minus: string): number {
  const volts = voltagesOf({
    ...network,
    resistors: [...network.resistors, [plus, minus, METER_OHM]]
  });
  return (volts.get(plus) ?? 0) - (volts.get(minus) ?? 0);
}
