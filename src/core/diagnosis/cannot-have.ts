import { plantFault } from '../physics/plant/faults';
import { plantFor } from '../physics/plant/params';
import type { FaultId } from '../vehicle/faults';
import type { SpecSheet } from '../vehicle/spec-sheet';

/** Why a vehicle cannot have a fault, by its sheet; null where it can. */
export function cannotHave(fault: FaultId, sheet: SpecSheet | null): string | null {
  if (!sheet) return null;
  const { fan, clutch, thermostat } = sheet;
  if (fault.startsWith('clutch-') && !clutch) return 'no fan clutch';
  if (fault === 'clutch-circuit-open' && clutch?.kind !== 'electronic') return 'no electronic fan clutch';
  if (fault === 'clutch-engages-late' && clutch?.kind !== 'thermal') return 'no thermal fan clutch';
  if (fault.startsWith('fan-') && fan?.drive === 'none') return 'no electric fan';
  if (fault.startsWith('fan-relay') && fan && fan.drive !== 'relay') return 'no fan relay';
  if (fault.startsWith('fan-controller') && fan && fan.drive !== 'controller') return 'no fan controller';
  if (fault === 'thermostat-heater-failed' && thermostat.heaterOhm == null) return 'no heated thermostat';
  const inPlant = plantFault(fault);
  return inPlant?.applies && !inPlant.applies(plantFor(sheet)) ? 'not on this vehicle' : null;
}
