import type { SpecSheet } from '../vehicle/spec-sheet';
import { lacksPart, type PartId } from '../vehicle/parts';

/** Why a vehicle cannot have a check, by the part it is of; null where it can, or where the sheet is silent. */
const without = (part: PartId) => (sheet: SpecSheet) => lacksPart(sheet, part);

export const withoutClutch = without('fan clutch');
export const withoutRelay = without('fan relay');
export const withoutController = without('fan controller');
export const withoutFan = without('electric fan');
export const withoutThermalClutch = without('thermal fan clutch');
export const withoutElectronicClutch = without('electronic fan clutch');
export const withoutElectricPump = without('electric coolant pump');
export const withoutHeater = without('heated thermostat');
