import { TEMPLATES } from '../../src/core/checks/circuit-check';
import {
  foundIn,
  locate,
  probesOf,
  SOUND,
  type Measured,
  type Template
} from '../../src/core/physics/circuit/template';
import { normalDraw, seeded } from '../../src/core/base/random';

const RUNS = 40;
const MOST = 12;

/** Elements that no place of the circuit tells apart: finding either is finding it. */
interface Found {
  readonly right: number;
  readonly within: number;
  readonly open: number;
  readonly readings: number;
}

/**
 * One fault found as a technician would who follows the sheet: from the complaint, one measurement after another as it
 * names them, read off a meter with 0.5 % and 5 mV, until an element is found or nothing is left to ask.
 */
function series(
  t: Template,
  fault: string,
  seed: number
): { first: string; certain: boolean; readings: number; top: number } {
  const random = seeded(seed);
  const probes = probesOf(t, 12.6);
  const sizes = t.sizes[fault]?.length ?? 1;
  const k = Math.floor(random() * sizes);
  const read = (state: string, at: string): Measured => {
    const probe = probes.find((p) => p.key === `${state}/${at}`)!;
    const shown = probe.shows(fault)[Math.min(k, probe.shows(fault).length - 1)];
    const isSight = t.sights.some((s) => s.id === at);
    const value = isSight
      ? Math.round(shown)
      : Math.max(
          0,
          Math.round(100 * (shown * (1 + 0.005 * normalDraw(random)) + 0.005 * normalDraw(random))) / 100
        );
    return { state, at, value };
  };
  const taken: Measured[] = [];
  let located = locate(t, taken, 12.6);
  while (taken.length < MOST && located.next && !foundIn(located)) {
    taken.push(read(located.next.state, located.next.at));
    located = locate(t, taken, 12.6);
  }
  const [best] = located.ranked;
  return {
    first: best.id,
    certain: foundIn(located) !== null,
    readings: taken.length,
    top: located.ranked.slice(0, 3).findIndex((r) => r.id === fault)
  };
}

/** Share located and how many measurements it took, for each circuit and each of its element faults, as a table. */
export function circuitsBench(): string {
  const lines = [
    '| circuit | element | located | among the first three | left open | readings, mean |',
    '|---|---|---:|---:|---:|---:|'
  ];
  for (const t of Object.values<Template>(TEMPLATES)) {
    for (const { id, title } of t.faults) {
      const runs = Array.from({ length: RUNS }, (_, i) => series(t, id, 1 + i));
      const count = (of: (r: (typeof runs)[number]) => boolean) => runs.filter(of).length;
      const found: Found = {
        right: count((r) => r.first === id),
        within: count((r) => r.top >= 0),
        open: count((r) => !r.certain),
        readings: runs.reduce((s, r) => s + r.readings, 0) / RUNS
      };
      const pct = (n: number) => `${Math.round((100 * n) / RUNS)} %`;
      lines.push(
        `| ${t.id} | ${id === SOUND ? 'sound' : title} | ${pct(found.right)} | ${pct(found.within)} | ${pct(found.open)} | ${found.readings.toFixed(1)} |`
      );
    }
  }
  return lines.join('\n');
}
