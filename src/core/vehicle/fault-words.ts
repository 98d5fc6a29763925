import type { FaultId } from './faults';

/** One suspect of the catalogue, in the words a technician uses. Ids are a contract; words are ours to better. */
export interface Suspect {
  readonly title: string;
  /** What is wrong with it. */
  readonly means: string;
  /** What settles it. */
  readonly confirm: string;
  /** Chance before any evidence, relative to the others; the sum does not matter. */
  readonly prior: number;
}

const s = (title: string, means: string, confirm: string, prior: number): Suspect => ({
  title,
  means,
  confirm,
  prior
});

/** Every id of the catalogue. Priors are rough trade frequencies for a vehicle whose temperature is in question. */
export const SUSPECTS: Readonly<Record<FaultId, Suspect>> = {
  none: s(
    'Works as designed',
    'Nothing in this run is outside what the engine should do',
    'Nothing to confirm',
    45
  ),
  'thermostat-stuck-open': s(
    'Thermostat stuck open',
    'Does not close, or leaks',
    'Hose from a cold start, log at road speed, bath',
    12
  ),
  'thermostat-stuck-closed': s(
    'Thermostat stuck closed',
    'Does not open enough',
    'Hose behind it stays cool, bath',
    5
  ),
  'thermostat-low-rating': s(
    'Thermostat of too low a rating',
    'A wrong or cooler part: opens cleanly, too early',
    'Stamped value, bath',
    7
  ),
  'thermostat-sluggish': s(
    'Thermostat sluggish',
    'Opens late, then hunts',
    'Log at a fine interval, bath at a controlled rate',
    3
  ),
  'thermostat-heater-failed': s(
    'Thermostat heater failed',
    'The electric element is open or shorted',
    'Element resistance, powered bath',
    2
  ),
  'ect-reads-hot': s(
    'ECT reads hot',
    'Sensor or its circuit reads above the truth',
    'Cold agreement, ladder, substitution',
    4
  ),
  'ect-reads-cold': s(
    'ECT reads cold',
    'Sensor or its circuit reads below the truth; the fan then comes late',
    'Thermometer at the housing, ladder',
    4
  ),
  'ect-open-circuit': s('ECT open circuit', 'Sensor or wire open: the cold default', 'Bridge test', 4),
  'ect-short-circuit': s('ECT short circuit', 'Sensor or wire shorted: the hot default', 'Unplug test', 3),
  'ect-intermittent': s(
    'ECT intermittent',
    'A contact that comes and goes',
    'Wiggle test, log at a fine interval',
    4
  ),
  'ect-wrong-part': s(
    'ECT of another curve',
    'A good sensor of the wrong family',
    'Ladder against the curve library',
    2
  ),
  'ect-wiring': s(
    'ECT wiring',
    'Reference or ground of the sensor circuit',
    'Reference voltage, ground drop, bridge and unplug',
    3
  ),
  'gauge-fault': s(
    'Dash gauge',
    'Gauge, sender or its ground',
    'Gauge against scan value and thermometer',
    4
  ),
  'fan-relay-contacts': s(
    'Fan relay contacts',
    'Clicks, passes nothing',
    'Contact drop, swap, socket feed',
    3
  ),
  'fan-relay-welded': s(
    'Fan relay welded',
    'Stays closed: the fan runs unasked',
    'Relay out: the fan stops',
    3
  ),
  'fan-relay-coil': s('Fan relay coil', 'Coil open: no click', 'Coil resistance, swap', 2),
  'fan-command-missing': s(
    'No fan command',
    'The control unit or its wire does not ask',
    'Control pin at the threshold, commanded test',
    2
  ),
  'fan-feed-open': s('Fan feed open', 'Fuse, supply or ground', 'Volts at the supply pin', 3),
  'fan-motor-dead': s('Fan does not run', 'Motor, or what feeds it', 'Fused direct feed and its current', 5),
  'fan-motor-weak': s('Fan motor weak', 'Turns slowly, moves little air', 'Direct feed and its current', 2),
  'fan-controller-shorted': s(
    'Fan controller shorted',
    'Drives the fan without a command',
    'Command against output',
    3
  ),
  'fan-controller-dead': s(
    'Fan controller dead',
    'No output with good supply and command',
    'Command against output',
    3
  ),
  'clutch-slipping': s('Fan clutch slipping', 'Has lost its fluid', 'Cold drag, hot speed ratio', 4),
  'clutch-seized': s(
    'Fan clutch seized',
    'Locked: roars with engine speed',
    'First turn when cold, speed ratio',
    3
  ),
  'clutch-engages-late': s(
    'Fan clutch engages late',
    'Bimetal or valve',
    'Engagement against air temperature',
    2
  ),
  'clutch-bearing': s('Fan clutch bearing', 'Play or noise', 'Play at the blade tip', 1),
  'clutch-circuit-open': s(
    'Fan clutch unpowered',
    'An electronic clutch without power stays engaged',
    'Command against fan speed',
    3
  ),
  'water-pump-bearing': s(
    'Water pump bearing',
    'Play of the pump shaft',
    'Which part moves in the play check',
    1
  ),
  'airflow-restricted': s(
    'Airflow restricted',
    'Debris, a blanked grille, a missing shroud, bent fins',
    'Look, radiator face, air temperature rise',
    6
  ),
  'radiator-clogged': s(
    'Radiator clogged inside',
    'Passes too little coolant or heat',
    'Radiator face, effectiveness',
    4
  ),
  'pump-flow-low': s('Low coolant flow', 'Impeller or belt', 'Temperature map, effectiveness', 3),
  'coolant-low': s('Coolant low or air in it', 'Too little, or a pocket of air', 'Level, bleeding', 4),
  'sensor-branch-restricted': s(
    'Sensor branch without flow',
    'The branch with the sensor stands still',
    'Temperature map',
    1
  ),
  'pressure-cap-weak': s('Pressure cap weak', 'Loses pressure', 'Cap test, boiling margin', 1),
  'combustion-leak': s(
    'Combustion gas in coolant',
    'Gas leaks into the coolant',
    'Pressure, chemical gas test; refer on',
    1
  ),
  'fan-setpoint-modified': s(
    'Fan switching point altered',
    'An added resistor or another trick',
    'A look for what was added, switching points against the sheet',
    1.5
  )
};

/** Faults that no coolant temperature log can show, with where to look instead. */
export const NOT_IN_A_LOG: readonly {
  readonly fault: FaultId;
  readonly because: string;
  readonly toShow: string;
}[] = [
  {
    fault: 'gauge-fault',
    because: 'a scan log does not see the needle',
    toShow: 'Read the gauge beside the scan value'
  },
  {
    fault: 'clutch-bearing',
    because: 'play leaves no mark in temperature',
    toShow: 'Play check on the stopped engine'
  },
  {
    fault: 'water-pump-bearing',
    because: 'play leaves no mark in temperature',
    toShow: 'Play check on the stopped engine'
  },
  {
    fault: 'pressure-cap-weak',
    because: 'pressure is not in the log',
    toShow: 'Cap test on the cold engine'
  },
  {
    fault: 'combustion-leak',
    because: 'gas is not in the log',
    toShow: 'Pressure hold and chemical gas test'
  }
];
