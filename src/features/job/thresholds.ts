import type { SpecSheet } from '$core/vehicle/spec-sheet';
import { inUnit } from '$lib/ui/page-state/units';
import type { Threshold } from '$lib/ui/plots/trace-drawn';

/** The levels of a spec sheet that a trace is read against; those at the same temperature share a label. */
export function thresholdsOf(sheet: SpecSheet | null): Threshold[] {
  if (!sheet) return [];
  const { fan, limits } = sheet;
  const { startOpenC, fullOpenC } = sheet.thermostat ?? {};
  const all: Threshold[] = [
    ...(startOpenC == null ? [] : [{ celsius: startOpenC, label: 'opens', kind: 'thermostat' } as const]),
    ...(fullOpenC == null ? [] : [{ celsius: fullOpenC, label: 'full open', kind: 'thermostat' } as const]),
    ...(fan?.stages ?? []).map((s): Threshold => ({
      celsius: s.onC,
      label: fan!.stages!.length === 1 ? 'fan on' : `fan ${s.name}`,
      kind: 'fan'
    })),
    ...(limits?.hotC == null ? [] : [{ celsius: limits.hotC, label: 'hot', kind: 'limit' } as const]),
    ...(limits?.stopC == null ? [] : [{ celsius: limits.stopC, label: 'stop', kind: 'limit' } as const])
  ];
  return all.map((t) => ({ ...t, label: `${Math.round(inUnit(t.celsius, 'temperature'))}° ${t.label}` }));
}
