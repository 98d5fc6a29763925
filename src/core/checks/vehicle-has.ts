import type { SpecSheet } from '../vehicle/spec-sheet';

/** Why a vehicle cannot have a check, by what its sheet says it has; null where it can, or where the sheet is silent. */
type Lacks = (sheet: SpecSheet) => string | null;

export const withoutClutch: Lacks = (sheet) => (sheet.clutch ? null : 'no fan clutch');
export const withoutRelay: Lacks = (sheet) =>
  sheet.fan?.drive === 'relay' || !sheet.fan ? null : 'no fan relay';
export const withoutController: Lacks = (sheet) =>
  sheet.fan?.drive === 'controller' || !sheet.fan ? null : 'no fan controller';
export const withoutFan: Lacks = (sheet) =>
  sheet.fan && sheet.fan.drive === 'none' ? 'no electric fan' : null;
export const withoutElectronicClutch: Lacks = (sheet) =>
  sheet.clutch?.kind === 'electronic' ? null : 'no electronic fan clutch';
