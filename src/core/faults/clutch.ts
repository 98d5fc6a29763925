import type { FaultId } from '../vehicle/faults';
import type { PlantParams } from '../physics/plant/params';
import { defineFault, type Fault, usual } from './fault';
import { fanUnseen } from './unseen';

/** The fan clutch. */
/** Each kind drives by its fluid, an electronic one too. */
const viscous = (p: PlantParams) => p.clutch.kind !== 'none';

const clutchUnused = () => ({
  because: 'the radiator air never got hot enough for the clutch to be needed',
  toShow: 'Idle hot for fifteen minutes with fan speed logged'
});

export const clutch = {
  'clutch-slipping': defineFault({
    title: 'Fan clutch slipping',
    means: 'Has lost its fluid',
    confirm: 'Cold drag, hot speed ratio',
    prior: 4,
    repair: 'fan-clutch',
    told: { 'gauge-high': 0.35, 'fan-never': 0.06, 'smell-steam': 0.1, 'power-reduced': 0.2, 'ac-off': 0.14 },
    worse: ['idle', 'crawl'],
    codes: ['P0217', 'P0483', 'P0494', 'P0527'],
    part: 'fan clutch',
    curve: {
      kind: 'warms',
      scale: 'share of grip lost',
      variants: usual((_, s) => ({ clutchGrip: 1 - 0.95 * s })),
      applies: viscous,
      severities: [0.5, 1],
      blind: clutchUnused
    }
  }),
  'clutch-seized': defineFault({
    title: 'Fan clutch seized',
    means: 'Locked: roars with engine speed',
    confirm: 'First turn when cold, speed ratio',
    prior: 3,
    repair: 'fan-clutch',
    told: { 'gauge-low': 0.12, 'fan-always': 0.15, 'economy-poor': 0.36, 'noise-roar': 0.85 },
    worse: ['start'],
    codes: ['P0493', 'P0495'],
    like: ['clutch-circuit-open'],
    part: 'fan clutch',
    curve: {
      kind: 'warms',
      scale: 'no meaning',
      variants: usual(() => ({ clutchLocked: true })),
      applies: viscous,
      plain: 1,
      blind: fanUnseen
    }
  }),
  'clutch-engages-late': defineFault({
    title: 'Fan clutch engages late',
    means: 'Bimetal or valve',
    confirm: 'Engagement against air temperature',
    prior: 2,
    repair: 'fan-clutch',
    told: { 'gauge-high': 0.35, 'power-reduced': 0.12 },
    worse: ['crawl'],
    part: 'thermal fan clutch',
    curve: {
      kind: 'warms',
      scale: 'up to 35 °C above its air temperature',
      variants: usual((_, s) => ({ fanShiftC: 35 * s })),
      applies: (p) => p.clutch.kind === 'thermal',
      severities: [0.5, 1],
      blind: clutchUnused
    }
  }),
  'clutch-bearing': defineFault({
    title: 'Fan clutch bearing worn',
    means: 'Play or noise',
    confirm: 'Play at the blade tip',
    prior: 2,
    repair: 'fan-clutch',
    told: { 'noise-rattle': 0.85 },
    part: 'fan clutch',
    curve: {
      kind: 'unseen',
      because: 'play leaves no mark in temperature',
      toShow: 'Play check on the stopped engine'
    }
  }),
  'clutch-circuit-open': defineFault({
    title: 'Fan clutch unpowered',
    means: 'An electronic clutch without power stays engaged',
    confirm: 'Command against fan speed',
    prior: 3,
    repair: 'clutch-harness',
    told: { 'gauge-low': 0.12, 'fan-always': 0.15, 'economy-poor': 0.36, 'noise-roar': 0.85 },
    codes: ['P0493', 'P0495', 'P0526', 'P0527', 'P0528', 'P0529'],
    part: 'electronic fan clutch',
    curve: {
      kind: 'warms',
      scale: 'no meaning',
      variants: usual(() => ({ clutchLocked: true })),
      applies: (p) => p.clutch.kind === 'electronic',
      plain: 1,
      blind: fanUnseen
    }
  })
} satisfies Partial<Record<FaultId, Fault>>;
