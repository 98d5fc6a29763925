/** Instruments and aids that a shop may be without. */
export const BOUGHT_TOOLS = [
  /** Reads codes and values: a plain code reader is one. */
  'Scan tool',
  /** Makes the control unit drive a part: a plain code reader cannot. */
  'Scan tool that commands',
  'Logger',
  'Thermometer',
  'Infrared thermometer',
  'Meter',
  'Clamp meter',
  'Fused feed',
  'Known good sensor',
  'Optical tachometer',
  'Pressure tester',
  'Chemical gas test',
  'Heated bath',
  'Lift gauge'
] as const;

/** What any workshop has is not asked about. */
const ALWAYS_THERE = [
  'Yard thermometer',
  'Identical relay',
  'Steel rule',
  'Lamp',
  'Gloved hand',
  'Hand or probe',
  'Card for the radiator',
  'Clock'
] as const;

/** Everything that a check can ask for. */
export const TOOLS = [...BOUGHT_TOOLS, ...ALWAYS_THERE] as const;
export type Tool = (typeof TOOLS)[number];
