import { limitsOf } from '../vehicle/limits';
import type { CautionId } from '../measure/cautions';
import type { SpecSheet } from '../vehicle/spec-sheet';
import type { ThermalState } from '../physics/heat/state';
import { sayC } from '../units/say';
import { repairOf, type RepairId } from '../vehicle/repairs';
import { sitsLow } from '../physics/coolant/spill';

/** One step of a repair, in the order it is done. */
export interface RepairStep {
  readonly id: string;
  readonly text: string;
  readonly cautions: readonly CautionId[];
  /** A key of the sheet's tightening values: what it was tightened with is written down beside it. */
  readonly torque?: string;
  /** What the engine must be for it: cool enough to open, or at least stopped. */
  readonly needs?: 'cold' | 'stopped';
}

const st = (id: string, text: string, ...cautions: CautionId[]): RepairStep => ({ id, text, cautions });
/** A step that opens the cooling system: only once it is cool and has no pressure. */
const cold = (...of: Parameters<typeof st>): RepairStep => ({ ...st(...of), needs: 'cold' });
/** A step with hands where belts and blades turn. */
const stopped = (...of: Parameters<typeof st>): RepairStep => ({ ...st(...of), needs: 'stopped' });
const tight = (id: string, text: string, torque: string): RepairStep => ({ id, text, cautions: [], torque });

const DRAIN: readonly RepairStep[] = [
  cold('cap-open', 'Cap opened cold, pressure gone', 'hot-cap'),
  cold('drained', 'Coolant caught, and measured: how much came out goes below', 'coolant', 'hot-cap')
];
const FILL: readonly RepairStep[] = [
  st('filled', 'Filled with the right mixture; how much went in goes below', 'coolant'),
  st('bled', 'Bled by the maker’s way, heater on hot, until no bubbles come', 'indoor-running', 'hot-parts'),
  st('hoses-held', 'Every hose that was off is on its bead with its clip, every plug latched'),
  st('cold-leak', 'No leak on the cold engine, every joint that was opened looked at')
];

/** What is done between draining and filling, or instead of both. */
const OWN: Readonly<Record<RepairId, readonly RepairStep[]>> = {
  thermostat: [
    st('housing-off', 'Housing off, the way the old one sat noted, both faces cleaned'),
    st('seal', 'New seal; thermostat in with its jiggle pin where the maker wants it'),
    tight('housing-on', 'Housing tightened', 'thermostatHousing'),
    st('hoses', 'Hoses and clips back, connector latched')
  ],
  'thermostat-command': [
    st('ignition', 'Ignition off before a control unit is unplugged', 'battery'),
    st('wire', 'Wire repaired or unit seen to by the maker’s information'),
    st('driven', 'Volts at its plug at full load, and none at light load', 'belts')
  ],
  'ect-sensor': [
    cold('cold', 'Engine cold, pressure released', 'hot-cap'),
    st('plug-off', 'Plug off, pins clean and straight'),
    tight('sensor-in', 'New sensor in with its washer or sealant', 'ectSensor'),
    st('plug-on', 'Plug latched')
  ],
  connector: [
    st('ignition', 'Ignition off before a plug comes off', 'battery', 'fan-starts'),
    st('cleaned', 'Pins and ground point cleaned, tension of the pins tried, green parts replaced'),
    st('latched', 'Plug latched, loom held away from heat and edges')
  ],
  relay: [
    st('same', 'The same part number, letter for letter', 'fan-starts'),
    st('socket', 'Socket looked at for heat and loose pins'),
    st('in', 'Relay seated')
  ],
  'fan-motor': [
    stopped('unplugged', 'Fan unplugged before hands go near', 'fan-starts'),
    st('swapped', 'Motor or fan fitted, runs free of its shroud'),
    st('plugged', 'Plugged in, clips back')
  ],
  'fan-controller': [
    st('ignition', 'Ignition off before its plug comes off', 'battery', 'fan-starts'),
    st('swapped', 'Controller fitted, its seat clean for the heat to go'),
    st('plugged', 'Plugged in and latched')
  ],
  'fan-command': [
    st('ignition', 'Ignition off before a control unit is unplugged', 'battery'),
    st('wire', 'Wire repaired or unit seen to by the maker’s information'),
    st('commanded', 'Fan commanded on: it follows', 'fan-starts', 'fan-blades')
  ],
  'fan-clutch': [
    stopped('stopped', 'Engine off, key out', 'fan-stopped', 'belts'),
    st('nut', 'Nut off the way the sheet says it unscrews; the new one kept upright'),
    tight('tightened', 'Clutch tightened', 'fanClutchNut'),
    st('shroud', 'Shroud back, blades clear of it all round')
  ],
  'clutch-harness': [
    st('ignition', 'Ignition off before its plug comes off', 'battery', 'fan-stopped'),
    st('repaired', 'Harness repaired, routed clear of the blades'),
    st('latched', 'Plug latched')
  ],
  'water-pump': [
    stopped('belt-off', 'Belt off', 'belts', 'fan-stopped'),
    st('faces', 'Faces clean, new gasket or sealant'),
    tight('tightened', 'Pump tightened', 'waterPump'),
    st('belt-on', 'Belt on and tensioned')
  ],
  'electric-pump': [
    st('ignition', 'Ignition off before its plug comes off', 'battery'),
    st('swapped', 'Pump fitted, its arrow with the flow, new seals'),
    st('runs', 'Commanded on: it hums and its hose pulses')
  ],
  shutter: [
    st('ignition', 'Ignition off before its plug comes off', 'battery', 'fan-starts'),
    st('swapped', 'Shutter or its motor fitted, every slat free'),
    st('moves', 'Commanded: it opens whole and shuts whole')
  ],
  'radiator-outside': [
    stopped('fan-off', 'Fan unplugged, or key out where the engine drives it', 'fan-starts', 'fan-stopped'),
    st('out', 'Washed from the engine side outward, low pressure, between the cores too'),
    st('fins', 'Fins straight, shroud and seals back where air would go around')
  ],
  'radiator-inside': [
    st('flushed', 'Flushed against the flow until it runs clear', 'coolant'),
    st('ends', 'Both hoses back with their clips')
  ],
  'branch-flush': [st('flushed', 'Branch flushed until it flows freely both ways', 'coolant')],
  'coolant-fill': [st('leak-closed', 'Where it went is found and closed')],
  cap: [
    cold('cold', 'Engine cold, old cap off', 'hot-cap'),
    st('rating', 'New cap has the rating of the sheet')
  ],
  gauge: [
    st('sender', 'Sender, its wire and ground seen to'),
    st('reads', 'Needle agrees with the scan value')
  ],
  'heater-core': [
    st('hoses-off', 'Both heater hoses off, which is which marked', 'hot-parts'),
    st(
      'flushed',
      'Flushed against its flow until it runs clear; a core that stays slow is replaced',
      'coolant'
    ),
    st('hoses-on', 'Hoses and clips back, the heater valve moves over its whole way')
  ],
  'sheet-correct': [
    st(
      'found',
      'The right temperatures found in the maker’s information for this very engine, and saved in its sheet'
    )
  ],
  'modification-out': [st('removed', 'Taken out, the loom as the maker made it', 'battery')],
  'refer-on': [st('told', 'Referred on: the customer knows why, and not to drive it hot')],
  none: []
};

/** Instead of draining and filling: the sensor changed for another with the cap shut, and what it spilled filled up. */
const QUICK: readonly RepairStep[] = [
  cold('ready', 'Engine cold, pressure let off, cap shut again; the new one in the other hand', 'hot-cap'),
  st('catch', 'A tray under it: what runs out is caught, and goes below', 'coolant')
];
const TOP_UP: readonly RepairStep[] = [
  st('filled', 'Filled up to the mark; how much went in goes below', 'coolant'),
  st('level-warm', 'Level looked at again after the first warm-up, on the cold engine'),
  st('cold-leak', 'No leak on the cold engine, every joint that was opened looked at')
];

/** Whether a repair can be done without a drain: the sensor alone, where it sits high. */
export const canBeQuick = (repairs: readonly RepairId[], sheet: SpecSheet | null): boolean =>
  repairs.includes('ect-sensor') &&
  repairs.every((id) => id === 'ect-sensor' || !repairOf(id).drains) &&
  !sitsLow(sheet?.ect?.location);

/** What ends every repair that is proven by a run. */
const CLOSING: readonly RepairStep[] = [
  st('codes-cleared', 'Codes cleared, so that no failsafe lingers'),
  st('tools', 'Nothing left in the engine bay', 'belts')
];

/**
 * The steps of one repair, or of several in one go, in order: one drain and one fill serve all that need them, or
 * none, where what spills is filled up. An id
 * names its repair, so that a step is told apart wherever it stands.
 */
export function stepsOf(repairs: readonly RepairId[], withoutDrain = false): RepairStep[] {
  const own = repairs.flatMap((id) => OWN[id].map((s) => ({ ...s, id: `${id}/${s.id}` })));
  if (own.length === 0) return [];
  const drains = repairs.some((id) => repairOf(id).drains);
  const cures = repairs.some((id) => id !== 'refer-on' && id !== 'sheet-correct');
  const [before, after] = !drains ? [[], []] : withoutDrain ? [QUICK, TOP_UP] : [DRAIN, FILL];
  return [...before, ...own, ...after, ...(cures ? CLOSING : [])];
}

/** The sheet's value for a step, N·m; null where it has none. */
export const torqueOf = (step: RepairStep, sheet: SpecSheet | null): number | null =>
  (step.torque && sheet?.torqueNm?.[step.torque]) || null;

/** What the sheet tells of a step, in words; null where it tells nothing. */
export function sheetOn({ id }: Pick<RepairStep, 'id'>, sheet: SpecSheet | null): string | null {
  if (id === 'bled' && sheet?.bleedPoints) return `Bleed points: ${sheet.bleedPoints}`;
  if (id === 'thermostat/housing-off' && sheet?.thermostat?.place)
    return `It sits: ${sheet.thermostat.place}`;
  if (id === 'fan-clutch/nut' && sheet?.clutchNut)
    return sheet.clutchNut === 'left'
      ? 'Left-hand thread: it unscrews clockwise'
      : 'Right-hand thread: it unscrews anticlockwise';
  return null;
}

/**
 * Why a step must wait, in words; null where it need not. An engine nobody knows anything of holds no step back: its
 * caution says to measure first.
 */
export function heldBack(
  step: RepairStep,
  heat: Pick<ThermalState, 'running' | 'safeToOpen' | 'coolantC'>,
  sheet: SpecSheet | null
): string | null {
  if (!step.needs) return null;
  if (heat.running) return 'The engine runs';
  if (step.needs === 'stopped' || heat.safeToOpen !== false) return null;
  const open = sayC(limitsOf(sheet).openCapC.value);
  if (heat.coolantC === null) return `Too hot to open: below ${open} first`;
  return heat.coolantC < limitsOf(sheet).openCapC.value
    ? `About ${sayC(heat.coolantC)} by now, and by a slow engine still above ${open}: measure it first`
    : `About ${sayC(heat.coolantC)}: below ${open} first`;
}
