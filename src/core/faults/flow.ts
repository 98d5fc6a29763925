import type { FaultId } from '../vehicle/faults';
import { defineFault, type Fault, usual } from './fault';
import { radiatorUnused } from './unseen';

/** Air and coolant through the radiator, and the pump. */
export const flow = {
  'airflow-restricted': defineFault({
    title: 'Airflow restricted',
    means: 'Debris, a blanked grille, a missing shroud, bent fins',
    confirm: 'Look, radiator face, air temperature rise',
    prior: 6,
    repair: 'radiator-outside',
    told: { 'gauge-high': 0.7, 'smell-steam': 0.45, 'power-reduced': 0.5, 'ac-off': 0.35 },
    worse: ['idle', 'crawl', 'grade'],
    codes: ['P0217', 'P2181'],
    curve: {
      kind: 'warms',
      scale: 'share of airflow lost, up to 85 %',
      variants: usual((p, s) => ({
        airFactor: 1 - 0.85 * s,
        radiatorNatural: p.radiatorNatural * (1 - 0.5 * s)
      })),
      severities: [0.4, 0.65, 0.9],
      blind: radiatorUnused
    }
  }),
  'active-shutter-stuck': defineFault({
    title: 'Shutter stuck before the radiator',
    means: 'Stays shut, or half open, when it should let the air through',
    confirm: 'A look while it is driven, its code',
    prior: 4,
    repair: 'shutter',
    told: { 'gauge-high': 0.6, 'smell-steam': 0.3, 'power-reduced': 0.5, 'ac-off': 0.4 },
    worse: ['steady', 'grade'],
    codes: ['P059F', 'P0217', 'P2181'],
    like: ['airflow-restricted'],
    part: 'active shutter',
    curve: {
      kind: 'warms',
      scale: 'share of airflow lost, up to 80 %',
      variants: usual((p, s) => ({
        airFactor: 1 - 0.8 * s,
        radiatorNatural: p.radiatorNatural * (1 - 0.6 * s)
      })),
      blind: radiatorUnused
    }
  }),
  'radiator-clogged': defineFault({
    title: 'Radiator clogged inside',
    means: 'Passes too little coolant or heat',
    confirm: 'Radiator face, effectiveness',
    prior: 4,
    repair: 'radiator-inside',
    told: { 'gauge-high': 0.7, 'smell-steam': 0.45, 'power-reduced': 0.5, 'ac-off': 0.22 },
    worse: ['steady', 'grade'],
    codes: ['P0217', 'P2183'],
    curve: {
      kind: 'warms',
      scale: 'share of the core lost, up to 85 %',
      variants: usual((_, s) => ({ coreFactor: 1 - 0.85 * s })),
      severities: [0.35, 0.6, 0.85],
      blind: radiatorUnused
    }
  }),
  'pump-flow-low': defineFault({
    title: 'Low coolant flow',
    means: 'Impeller or belt',
    confirm: 'Temperature map, effectiveness',
    prior: 3,
    repair: 'water-pump',
    told: {
      'gauge-high': 0.2,
      'heater-weak': 0.8,
      'heater-swings': 0.1,
      'smell-steam': 0.1,
      'power-reduced': 0.12,
      'ac-off': 0.14
    },
    worse: ['steady', 'grade'],
    codes: ['P0217'],
    curve: {
      kind: 'warms',
      scale: 'share of flow lost, up to 92 %',
      variants: usual((_, s) => ({ flowFactor: 1 - 0.92 * s })),
      severities: [0.6, 0.85, 1],
      blind: radiatorUnused
    }
  }),
  'coolant-pump-electric-dead': defineFault({
    title: 'Electric coolant pump dead',
    means: 'It does not turn: no coolant moves but by its own warmth',
    confirm: 'Commanded, with its feed measured; both heater hoses stay cool',
    prior: 4,
    repair: 'electric-pump',
    told: {
      'gauge-high': 0.7,
      'heater-weak': 0.8,
      'smell-steam': 0.65,
      'power-reduced': 0.7,
      'ac-off': 0.35
    },
    worse: ['idle', 'steady', 'grade'],
    codes: ['P2600', 'P2601', 'P2602', 'P2603', 'P0217'],
    part: 'electric coolant pump',
    curve: {
      kind: 'warms',
      scale: 'share of flow lost',
      variants: usual((_, s) => ({ flowFactor: 1 - 0.98 * s })),
      severities: [1],
      plain: 1,
      applies: (p) => p.pumpElectric,
      blind: radiatorUnused
    }
  }),
  'heater-core-restricted': defineFault({
    title: 'Heater core restricted',
    means: 'Little coolant comes through the heater: a warm engine and cold feet',
    confirm: 'Heater air, with both heater hoses',
    prior: 2,
    repair: 'heater-core',
    told: { 'heater-weak': 0.92, 'heater-swings': 0.05 },
    worse: ['idle', 'steady'],
    curve: {
      kind: 'unseen',
      because: 'a heater that takes no heat draws what one draws that is switched off',
      toShow: 'Heater air: air at the vent against coolant and ambient',
      scale: 'share of the heater’s heat lost, up to 90 %',
      variants: usual((p, s) => ({ heater: p.heater * (1 - 0.9 * s) }))
    }
  }),
  'water-pump-bearing': defineFault({
    title: 'Water pump bearing worn',
    means: 'Play of the pump shaft',
    confirm: 'Which part moves in the play check',
    prior: 2,
    repair: 'water-pump',
    told: { 'smell-coolant': 0.45, 'noise-rattle': 0.85 },
    curve: {
      kind: 'unseen',
      because: 'play leaves no mark in temperature',
      toShow: 'Play check on the stopped engine'
    }
  })
} satisfies Partial<Record<FaultId, Fault>>;
