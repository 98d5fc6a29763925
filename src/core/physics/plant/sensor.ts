import { readsWithParallel, readsWithSeries, resistanceAt, temperatureAt } from '../thermistor/curve';
import type { PlantParams } from './params';

const FROM = -50;
const TO = 180;

/** What the control unit reads for a true temperature at the sensor, before quantising; a table for speed. */
export type ReadingTable = Float64Array;

const TRUE: ReadingTable = Float64Array.from({ length: TO - FROM + 1 }, (_, i) => FROM + i);

/** Tabulates the steady part of a sensor error every 1 °C from −50 to 180 °C; drop-outs come on top. */
export function readingTable(p: PlantParams): ReadingTable {
  const { sensorError: error, curve } = p;
  if (error.kind === 'none' || error.kind === 'dropouts') return TRUE;
  return Float64Array.from({ length: TO - FROM + 1 }, (_, i) => {
    const t = FROM + i;
    switch (error.kind) {
      case 'shift':
        return t + error.celsius;
      case 'series':
        return readsWithSeries(curve, t, error.ohm);
      case 'parallel':
        return readsWithParallel(curve, t, error.ohm);
      case 'fixed':
        return error.readsC;
      case 'curve':
        return temperatureAt(curve, resistanceAt(error.curve, t));
    }
  });
}

/** The reading in whole degrees, held between the open and short defaults as a control unit holds it. */
export function readingOf(table: ReadingTable, p: PlantParams, sensorC: number): number {
  const x = Math.min(TO - FROM - 1e-9, Math.max(0, sensorC - FROM));
  const i = Math.floor(x);
  const value = table[i] + (x - i) * (table[i + 1] - table[i]);
  return Math.round(Math.min(p.shortReadsC, Math.max(p.openReadsC, value)));
}
