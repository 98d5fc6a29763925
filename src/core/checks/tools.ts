/** Instruments and aids that a check can ask for. What any workshop has is not asked about. */
export const TOOLS = [
  'Scan tool',
  'Logger',
  'Thermometer',
  'Infrared thermometer',
  'Yard thermometer',
  'Meter',
  'Clamp meter',
  'Fused feed',
  'Known good sensor',
  'Identical relay',
  'Optical tachometer',
  'Pressure tester',
  'Chemical gas test',
  'Heated bath',
  'Lift gauge',
  'Steel rule',
  'Lamp',
  'Gloved hand',
  'Hand or probe',
  'Card for the radiator',
  'Clock'
] as const;
export type Tool = (typeof TOOLS)[number];

/** Always at hand. */
const EVERYWHERE: ReadonlySet<Tool> = new Set([
  'Yard thermometer',
  'Identical relay',
  'Steel rule',
  'Lamp',
  'Gloved hand',
  'Hand or probe',
  'Card for the radiator',
  'Clock'
]);

/** Those a shop may be without. */
export const BOUGHT_TOOLS = TOOLS.filter((t) => !EVERYWHERE.has(t));
