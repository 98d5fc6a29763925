import type { SpecSheet } from './spec-sheet';

/** Parts that some vehicles have and others do not. */
export type PartId =
  | 'electric fan'
  | 'fan relay'
  | 'fan controller'
  | 'fan clutch'
  | 'thermal fan clutch'
  | 'electronic fan clutch'
  | 'heated thermostat'
  | 'electric coolant pump'
  | 'active shutter';

/**
 * How often a vehicle has each part where its sheet does not say how the fan is driven, without a fan clutch on the
 * sheet and with one. Ours: most have an electric fan by relays, and few have both.
 */
const USUAL: Readonly<Partial<Record<PartId, readonly [number, number]>>> = {
  'electric fan': [0.9, 0.15],
  'fan relay': [0.6, 0.1],
  'fan controller': [0.3, 0.05],
  'fan clutch': [0.12, 1],
  'thermal fan clutch': [0.09, 1],
  'electronic fan clutch': [0.03, 1],
  'electric coolant pump': [0.06, 0.03],
  'active shutter': [0.1, 0.05]
};

/**
 * How likely a vehicle has a part, 0 to 1, by its sheet: a field that was left alone rules nothing out. How the fan is
 * driven is one question; a sheet that answers it and names no clutch has none.
 */
export function partShare(sheet: SpecSheet | null, part: PartId): number {
  if (!sheet) return 1;
  const { engine, fan, clutch, thermostat } = sheet;
  const kind = clutch?.kind;
  switch (part) {
    case 'heated thermostat':
      return thermostat?.heaterOhm == null ? 0 : 1;
    case 'electric coolant pump':
      if (engine?.pump) return engine.pump === 'electric' ? 1 : 0;
      break;
    case 'active shutter':
      if (engine?.shutter) return engine.shutter === 'driven' ? 1 : 0;
      break;
    case 'fan clutch':
      if (clutch || fan) return clutch ? 1 : 0;
      break;
    case 'thermal fan clutch':
    case 'electronic fan clutch':
      if (clutch || fan) return part.startsWith(`${kind} `) ? 1 : 0;
      break;
    default:
      if (fan)
        return {
          'electric fan': fan.drive !== 'none',
          'fan relay': fan.drive === 'relay',
          'fan controller': fan.drive === 'controller'
        }[part]
          ? 1
          : 0;
  }
  return USUAL[part]![clutch ? 1 : 0];
}

/** Why a vehicle cannot have a part, by its sheet; null where it can. Of a fan by another drive the fan is named. */
export function lacksPart(sheet: SpecSheet | null, part: PartId): string | null {
  if (partShare(sheet, part) > 0) return null;
  const whole = /^fan |electronic|thermal/.test(part)
    ? part.endsWith('clutch')
      ? 'fan clutch'
      : 'electric fan'
    : part;
  return `no ${partShare(sheet, whole) === 0 ? whole : part}`;
}
