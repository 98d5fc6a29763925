import type { FaultId } from '../vehicle/faults';
import { sayC } from '../units/say';
import { defineFault, type Fault, usual, type Shown } from './fault';

/** The thermostat and its heater. */
const leakHidden = () => ({
  because:
    'the run began warm or had too little running at low heat to tell a leak from a regulating thermostat',
  toShow: 'Start from cold and hold a steady road speed for ten minutes'
});

const beforeOpening = ({ maxC, startOpenC }: Shown) =>
  maxC < startOpenC
    ? {
        because: `coolant never reached start-to-open at ${sayC(startOpenC)}`,
        toShow: 'Run on until the thermostat has opened and regulated for ten minutes'
      }
    : {
        because: 'the opening itself is not in this run, or too little heat passed it',
        toShow: 'Start from cold and log through the opening'
      };

const heaterUnused = () => ({
  because: 'the engine was not loaded enough for the heater to be used',
  toShow: 'Pull a grade for five minutes with the log running'
});

export const thermostat = {
  'thermostat-stuck-open': defineFault({
    title: 'Thermostat stuck open',
    means: 'Does not close, or leaks',
    confirm: 'Hose from a cold start, log at road speed, bath',
    prior: 12,
    repair: 'thermostat',
    told: { 'gauge-low': 0.7, 'heater-weak': 0.8, 'economy-poor': 0.36 },
    worse: ['steady'],
    codes: ['P0116', 'P0125', 'P0126', 'P0128', 'P2181'],
    curve: {
      kind: 'warms',
      scale: 'share of full lift it stays open, up to 60 %',
      variants: usual((_, s) => ({ leak: 0.004 + 0.6 * s * s + 0.06 * s })),
      severities: [0.2, 0.4, 0.65, 1],
      blind: leakHidden
    }
  }),
  'thermostat-stuck-closed': defineFault({
    title: 'Thermostat stuck closed',
    means: 'Does not open enough',
    confirm: 'Hose behind it stays cool, bath',
    prior: 5,
    repair: 'thermostat',
    told: { 'gauge-high': 0.7, 'smell-steam': 0.65, 'power-reduced': 0.7, 'ac-off': 0.35 },
    worse: ['steady', 'grade'],
    codes: ['P0217', 'P2181'],
    curve: {
      kind: 'warms',
      scale: 'share of lift it cannot reach',
      variants: usual((_, s) => ({ liftMax: Math.max(0.004, 1 - s) ** 2 })),
      severities: [0.85, 0.93, 1],
      plain: 1,
      blind: beforeOpening
    }
  }),
  'thermostat-low-rating': defineFault({
    title: 'Thermostat of too low a rating',
    means: 'A wrong or cooler part: opens cleanly, too early',
    confirm: 'Stamped value, bath',
    prior: 7,
    repair: 'thermostat',
    told: { 'gauge-low': 0.7, 'heater-weak': 0.8, 'economy-poor': 0.36 },
    codes: ['P0125', 'P0126', 'P0128'],
    curve: {
      kind: 'warms',
      // Too low is a comparison: nobody said what it should be.
      applies: (p) => !p.openingSupposed,
      scale: 'up to 24 °C too early',
      variants: usual((p, s) => ({ startOpenC: p.startOpenC - 24 * s, fullOpenC: p.fullOpenC - 24 * s })),
      severities: [0.25, 0.45, 0.7, 1],
      blind: beforeOpening
    }
  }),
  'thermostat-sluggish': defineFault({
    title: 'Thermostat sluggish',
    means: 'Opens late, then hunts',
    confirm: 'Log at a fine interval, bath at a controlled rate',
    prior: 3,
    repair: 'thermostat',
    told: { 'gauge-high': 0.5, 'smell-steam': 0.1, 'power-reduced': 0.12, 'ac-off': 0.22 },
    codes: ['P0217'],
    curve: {
      kind: 'warms',
      scale: 'lag of the wax, up to 150 s',
      variants: usual((p, s) => ({
        waxTauS: p.waxTauS + 140 * s,
        hysteresisC: p.hysteresisC + 3 * s,
        startOpenC: p.startOpenC + 2 * s
      })),
      severities: [0.35, 0.65, 1],
      blind: beforeOpening
    }
  }),
  'thermostat-heater-failed': defineFault({
    title: 'Thermostat heater failed',
    means: 'The electric element is open or shorted',
    confirm: 'Element resistance, powered bath',
    prior: 2,
    repair: 'thermostat',
    told: { 'gauge-high': 0.2 },
    codes: ['P0597', 'P0598', 'P0599'],
    part: 'heated thermostat',
    curve: {
      kind: 'warms',
      scale: 'share of the heater lost',
      variants: usual((p, s) => ({ heaterDropC: p.heaterDropC * (1 - s) })),
      applies: (p) => p.heaterDropC > 0,
      blind: heaterUnused
    }
  }),
  'thermostat-map-control': defineFault({
    title: 'Thermostat heater driven wrongly',
    means: 'Its wire or driver: heated all the time, or never, with a sound element',
    confirm: 'Volts at its plug at light and at full load, with an element that works',
    prior: 1,
    repair: 'thermostat-command',
    told: { 'gauge-low': 0.4, 'heater-weak': 0.4, 'economy-poor': 0.3, 'gauge-high': 0.1 },
    codes: ['P0597', 'P0598', 'P0599', 'P0128'],
    part: 'heated thermostat',
    curve: {
      kind: 'warms',
      scale: 'share of the heater that is there when it should not be, or is not when it should',
      variants: {
        always: (p, s) => ({
          startOpenC: p.startOpenC - p.heaterDropC * s,
          fullOpenC: p.fullOpenC - p.heaterDropC * s,
          heaterDropC: p.heaterDropC * (1 - s)
        }),
        never: (p, s) => ({ heaterDropC: p.heaterDropC * (1 - s) })
      },
      applies: (p) => p.heaterDropC > 0,
      blind: heaterUnused
    }
  })
} satisfies Partial<Record<FaultId, Fault>>;
