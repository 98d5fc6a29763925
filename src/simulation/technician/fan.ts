import { limitsOf } from '../../core/vehicle/limits';
import { stagesOf } from '../../core/checks/fan/fan-switching';
import { readPart } from '../vehicle/parts';
import { circuitTaken, fanBy, relayFeels } from './electrics';
import { vehicleOf, hotVehicle, FAST_IDLE, scanOf, type Measures } from './measure';

/** The electric fan, its relay and its controller. */
export const fanMeasures: Measures = {
  'fan-switching': (c) => {
    const due = stagesOf(c.spec);
    const v = hotVehicle(c, 25);
    v.hold(FAST_IDLE[0]);
    const stages = due.map((s) => ({
      name: s.name,
      onC: null as number | null,
      offC: null as number | null
    }));
    const levels = due.map((_, i) =>
      c.plant.fan.kind === 'proportional' ? 15 + 40 * i : due.length === 1 ? 50 : 25 + 45 * i
    );
    const on = stages.map((_, i) => v.fanPct > levels[i]);
    let hottestC = scanOf(v);
    for (let s = 25 * 60; s < 60 * 60; s += 2) {
      v.advanceTo(s);
      const reads = scanOf(v);
      hottestC = Math.max(hottestC, reads);
      stages.forEach((stage, i) => {
        const turns = v.fanPct > levels[i];
        if (turns && !on[i]) stage.onC ??= reads;
        if (!turns && on[i] && stage.onC !== null) stage.offC ??= reads;
        on[i] = turns;
      });
      // Over the stop limit the engine is switched off, whatever was to be seen.
      if (v.truth().outletC > limitsOf(c.spec).stopC.value) break;
    }
    // A fan that ran when the watch began and never stopped is told by the temperature it began at.
    if (stages[0]?.onC === null && on[0]) stages[0].onC = scanOf(hotVehicle(c, 25));
    for (const s of stages) if (s.offC !== null && s.onC !== null && s.offC >= s.onC) s.offC = null;
    return { stages, hottestC, by: 'scan', acOn: false, moving: false };
  },
  'fan-command': (c, random) => ({ ...fanBy(c, random), commandedPct: 100 }),
  'fan-direct-feed': (c, random) => {
    const amps = readPart(vehicleOf(c), 'fan-amps', 0, random);
    if (amps === null) return null;
    const turns =
      c.fault === 'fan-motor-dead'
        ? 'no'
        : c.fault === 'fan-motor-weak'
          ? c.severity > 0.5 || random() < 0.6
            ? 'slow'
            : 'full'
          : 'full';
    return { at: 'plug', turns, amps, feedV: 12.5 };
  },
  'key-off-fan': (c) => {
    const v = hotVehicle(c);
    const atC = Math.round(scanOf(v));
    v.stop();
    let minutes = 0;
    for (; minutes < 20 && v.fanPct > 10; minutes++) v.advanceTo(v.now + 60);
    return { ranMin: minutes, stillRunning: minutes >= 20, coolantC: Math.min(atC, 118) };
  },
  'relay-bench': (c, random) => {
    const v = vehicleOf(c);
    return {
      coilOhm: readPart(v, 'coil-ohm', 0, random),
      clicks: c.fault === 'fan-relay-coil' ? 'no' : 'yes',
      dropV: c.fault === 'fan-relay-coil' ? null : readPart(v, 'contact-drop', 0, random),
      loadA: c.fault === 'fan-relay-coil' ? null : 10,
      restOhm: readPart(v, 'rest-ohm', 0, random)
    };
  },
  'relay-swap': (c) => ({
    identical: true,
    donor: 'horn',
    donorSafe: true,
    putBack: true,
    then: relayFeels(c)
  }),
  'relay-socket': circuitTaken,
  'controller-in-out': circuitTaken
};
