/**
 * The units a technician types or reads. Inside the core each kind has one unit, the first of its list;
 * everything else converts at the edges.
 */
export interface Unit {
  readonly symbol: string;
  /** Other spellings, compared without case, dots, degree signs or spaces. */
  readonly aliases: readonly string[];
  /** base = value × factor + offset */
  readonly factor: number;
  readonly offset: number;
  /** Decimals that suit a reading in this unit. */
  readonly digits: number;
  /** Whether an SI prefix may stand before it (5.2k, 350 mV). */
  readonly prefixes?: boolean;
}

const unit = (
  symbol: string,
  factor: number,
  digits: number,
  aliases: string[] = [],
  extra: Partial<Unit> = {}
): Unit => ({
  symbol,
  aliases,
  factor,
  offset: 0,
  digits,
  ...extra
});

export const UNITS = {
  temperature: [
    unit('°C', 1, 1, [
      'c',
      'degc',
      'deg c',
      'celsius',
      'degrees celsius',
      'centigrade',
      'grad',
      'gradc',
      'grad celsius',
      'degres celsius',
      'grados',
      'gradi'
    ]),
    unit('°F', 5 / 9, 0, ['f', 'degf', 'fahrenheit', 'degrees fahrenheit'], { offset: -160 / 9 }),
    unit('K', 1, 1, ['kelvin'], { offset: -273.15 })
  ],
  /** A difference of two temperatures: the same units without their zero points. */
  difference: [
    unit('°C', 1, 1, ['c', 'degc', 'k', 'kelvin', 'celsius']),
    unit('°F', 5 / 9, 1, ['f', 'degf', 'fahrenheit'])
  ],
  resistance: [unit('Ω', 1, 1, ['ohm', 'ohms', 'r'], { prefixes: true })],
  voltage: [unit('V', 1, 3, ['volt', 'volts', 'vdc'], { prefixes: true })],
  current: [unit('A', 1, 2, ['amp', 'amps', 'ampere'], { prefixes: true })],
  pressure: [
    unit('kPa', 1, 0, ['kilopascal']),
    unit('bar', 100, 2, []),
    unit('psi', 6.894757, 1, ['lbf/in2', 'psig']),
    unit('hPa', 0.1, 0, ['mbar', 'millibar'])
  ],
  speed: [
    unit('km/h', 1, 0, ['kmh', 'kph', 'kmph', 'kilometres per hour', 'kilometers per hour']),
    unit('mph', 1.609344, 0, ['mi/h', 'miles/h', 'miles per hour']),
    unit('m/s', 3.6, 1, ['mps'])
  ],
  distance: [
    unit('km', 1, 0, ['kilometre', 'kilometer', 'kilometres', 'kilometers']),
    unit('mi', 1.609344, 0, ['mile', 'miles'])
  ],
  rotation: [
    unit('rpm', 1, 0, [
      'r/min',
      '1/min',
      'u/min',
      'min-1',
      'rev/min',
      'tr/min',
      'rpm min-1',
      'giri/min',
      'obr/min',
      'revolutions per minute'
    ])
  ],
  share: [unit('%', 1, 0, ['percent', 'pct', 'per cent']), unit('0…1', 100, 2, ['ratio', 'fraction'])],
  time: [
    unit('s', 1, 1, ['sec', 'secs', 'second', 'seconds', 'sekunden', 'secondes', 'segundos', 'secondi']),
    unit('min', 60, 1, ['mins', 'minute', 'minutes', 'minuten', 'minutos', 'minuti']),
    unit('h', 3600, 2, ['hour', 'hours', 'hr']),
    unit('ms', 0.001, 0, ['msec', 'millisecond', 'milliseconds'])
  ],
  length: [unit('mm', 1, 1, ['millimetre', 'millimeter']), unit('in', 25.4, 3, ['inch', '"'])],
  volume: [
    unit('L', 1, 1, ['litre', 'liter', 'litres', 'liters', 'l']),
    unit('US qt', 0.946353, 1, ['qt', 'quart', 'quarts'])
  ],
  torque: [
    unit('N·m', 1, 0, ['nm', 'n*m', 'newtonmetre']),
    unit('lbf·ft', 1.355818, 0, ['lbft', 'ftlb', 'ft-lb', 'lb-ft', 'ftlbs'])
  ],
  number: [unit('', 1, 2)]
} as const satisfies Record<string, readonly Unit[]>;

export type QuantityKind = keyof typeof UNITS;

const plain = (text: string) => text.toLowerCase().replace(/[°º.\s·]/g, '');

/** Finds a unit of a kind by its symbol or any alias; undefined where none fits. */
export function findUnit(kind: QuantityKind, text: string): Unit | undefined {
  const wanted = plain(text);
  return UNITS[kind].find(
    (u: Unit) => plain(u.symbol) === wanted || u.aliases.some((a) => plain(a) === wanted)
  );
}

/** The core's own unit of a kind. */
export const baseUnit = (kind: QuantityKind): Unit => UNITS[kind][0];

export const toBase = (value: number, from: Unit): number => value * from.factor + from.offset;
export const fromBase = (value: number, to: Unit): number => (value - to.offset) / to.factor;
