import { describe, expect, it } from 'vitest';
import { cleanSheet } from './sheet-fields';
import { readSpecSheet } from './read-sheet';
import { readPasted, withPasted } from './pasted-sheet';

const read = (page: string) =>
  Object.fromEntries(readPasted(page).understood.map(({ path, value }) => [path, value]));

describe('a pasted page of values', () => {
  it('in lines with a colon, °C and litres', () => {
    const page = `Cooling system, Ostrelle Curlew 1.6
Fuel: petrol
Displacement: 1598 cc
Coolant capacity: 6.2 l
Cap opens at: 1.4 bar
Thermostat starts to open: 86 °C
Thermostat fully open: 99 °C
Lift at least: 8 mm
Operating temperature: 84 - 99 °C
Fan, low speed on: 101 °C, off 96 °C
Fan, high speed on: 106 °C, off 101 °C
Tightening, coolant sensor: 18 Nm`;
    expect(read(page)).toEqual({
      'engine.fuel': 'petrol',
      'engine.displacementL': 1.598,
      'engine.coolantL': 6.2,
      'cap.kPa': 140,
      'thermostat.startOpenC': 86,
      'thermostat.fullOpenC': 99,
      'thermostat.minLiftMm': 8,
      'regulating.lowC': 84,
      'regulating.highC': 99,
      'fan.stages.0.name': 'low',
      'fan.stages.0.onC': 101,
      'fan.stages.0.offC': 96,
      'fan.stages.1.name': 'high',
      'fan.stages.1.onC': 106,
      'fan.stages.1.offC': 101,
      'torqueNm.ectSensor': 18
    });
    expect(
      readSpecSheet(cleanSheet(withPasted({ name: 'Curlew', fan: { drive: 'relay' } }, readPasted(page))))
    ).toMatchObject({
      ok: true,
      value: { name: 'Curlew', fan: { drive: 'relay', stages: [{ onC: 101 }, { name: 'high' }] } }
    });
  });

  it('in a table with tabs, °F, psi and quarts', () => {
    const page =
      'Thermostat opening temp\t187 °F\nFully open\t210°F\nCap\t16 psi\nCoolant capacity\t7.4 qt\nThermostat housing torque\t8 ft-lb';
    const got = read(page);
    expect(got['thermostat.startOpenC']).toBeCloseTo(86.11, 2);
    expect(got['thermostat.fullOpenC']).toBeCloseTo(98.89, 2);
    expect(got['cap.kPa']).toBeCloseTo(110.3, 1);
    expect(got['engine.coolantL']).toBeCloseTo(7.0, 1);
    expect(got['torqueNm.thermostatHousing']).toBeCloseTo(10.8, 1);
  });

  it('with the sensor’s curve in kΩ or Ω, whatever its order', () => {
    const curve = {
      kind: 'table',
      points: [
        [0, 5700],
        [20, 2500],
        [80, 320]
      ]
    };
    expect(read('Sensor\n80 °C  320 Ω\n20 °C  2.5 kΩ\n0 °C  5.7 kohm')['ect.curve']).toEqual(curve);
    expect(read('32 °F = 5700 ohm; \n68 °F = 2500 ohm\n176 °F = 320 ohm')['ect.curve']).toEqual(curve);
  });

  it('under headings, which say what the lines beneath are about', () => {
    expect(read('Thermostat\nOpens at 88 °C\nFully open 101 °C\n\nFan clutch\nEngages 65 °C')).toEqual({
      'thermostat.startOpenC': 88,
      'thermostat.fullOpenC': 101,
      'clutch.engageAirC': 65
    });
  });

  it('takes no figure without its unit, and says so', () => {
    const { understood, left } = readPasted('Thermostat opens at 88\nBolts M8\nValve clearance 0.25 mm');
    expect(understood).toEqual([]);
    expect(left.map((l) => [l.line, l.why])).toEqual([
      [1, 'no unit stands behind the figure'],
      [3, 'not a value of the sheet that we know']
    ]);
  });

  it('of prose understands nothing and breaks on nothing', () => {
    const prose =
      'The ferry left at half past nine with three vans, 2 dogs and a great deal of rain.\nNobody had slept.';
    expect(readPasted(prose).understood).toEqual([]);
    expect(readPasted('')).toEqual({ understood: [], left: [] });
    expect(() => readPasted('°'.repeat(5000) + '1'.repeat(5000) + '\u0000{}[]<script>')).not.toThrow();
  });
});
