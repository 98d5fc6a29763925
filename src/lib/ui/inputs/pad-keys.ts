import { UNITS, type QuantityKind, type Unit } from '$core/units/units';

/** What a unit’s key writes behind the number: the unit itself, or it with a prefix that readings of its kind come in. */
const PREFIXED: Readonly<Record<string, readonly string[]>> = {
  resistance: ['Ω', 'kΩ'],
  voltage: ['V', 'mV'],
  current: ['A', 'mA'],
  // Nobody reads an engine in kelvin.
  temperature: ['°C', '°F']
};
const MOST = 3;

/** The unit keys of a kind, the reader’s own first; none where there is only one. */
export function unitKeys(kind: QuantityKind, own: string): readonly string[] {
  const keys = PREFIXED[kind] ?? UNITS[kind].map((u: Unit) => u.symbol).filter(Boolean);
  return keys.length < 2
    ? []
    : [...keys].sort((a, b) => Number(b === own) - Number(a === own)).slice(0, MOST);
}

const NUMBER = /^[-−]?[\d.,\s]*/;

/** What stands in the field after a key. */
export function pressed(text: string, key: string): string {
  const [number] = NUMBER.exec(text)!;
  const unit = text.slice(number.length);
  if (key === 'back') return unit ? number.trim() : number.slice(0, -1);
  if (key === 'clear') return '';
  if (key === 'minus') return /^[-−]/.test(number) ? text.slice(1) : `-${text}`;
  if (/^\d$/.test(key)) return `${number.trimEnd()}${key}${unit && ` ${unit}`}`;
  if (key === '.') return number.includes('.') ? text : `${number.trimEnd() || '0'}.${unit && ` ${unit}`}`;
  // A second unit takes the place of the first.
  return number.trim() === '' ? text : `${number.trim()} ${key}`;
}
