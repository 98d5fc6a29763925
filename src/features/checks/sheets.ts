import type { Component } from 'svelte';
import { checkOf, type CheckId } from '$core/checks/registry';
import { emptyOf } from '$core/units/field';
import type { SpecSheet } from '$core/vehicle/spec-sheet';
import type { ThermalState } from '$core/physics/heat/state';
import { lastInstrument } from './instrument-memory';
import CheckForm from './CheckForm.svelte';
import ByHandSheet from './ByHandSheet.svelte';
import CodesSheet from './CodesSheet.svelte';
import ColdAgreementSheet from './ColdAgreementSheet.svelte';
import EctLadderSheet from './EctLadderSheet.svelte';
import EctSubstituteSheet from './EctSubstituteSheet.svelte';
import FanSwitchingSheet from './FanSwitchingSheet.svelte';
import GaugeCompareSheet from './GaugeCompareSheet.svelte';
import LevelAndLookSheet from './LevelAndLookSheet.svelte';
import SoakSheet from './SoakSheet.svelte';
import CapTestSheet from './CapTestSheet.svelte';
import ClutchElectronicSheet from './ClutchElectronicSheet.svelte';
import ClutchHotSpeedSheet from './ClutchHotSpeedSheet.svelte';
import ControllerSheet from './ControllerSheet.svelte';
import PressureHoldSheet from './PressureHoldSheet.svelte';
import RadiatorFaceSheet from './RadiatorFaceSheet.svelte';
import RelayBenchSheet from './RelayBenchSheet.svelte';
import RelaySocketSheet from './RelaySocketSheet.svelte';
import TemperatureMapSheet from './TemperatureMapSheet.svelte';
import ThermostatBathSheet from './ThermostatBathSheet.svelte';
import WiggleSheet from './WiggleSheet.svelte';
import type { SheetProps } from './types';

/** The instrument of a check, and the readings it starts from. A check without one is judged by hand. */
export interface CheckSheet {
  readonly component: Component<SheetProps<never>, Record<string, never>, 'readings'>;
  readonly empty: (heat: ThermalState, sheet: SpecSheet | null) => object;
}

const sheet = (component: unknown, empty: CheckSheet['empty']): CheckSheet => ({
  component: component as CheckSheet['component'],
  empty
});

const SHEETS: Partial<Record<CheckId, CheckSheet>> = {
  soak: sheet(SoakSheet, ({ basis, ambientC }) => ({
    hoursStood: null,
    lastC: basis?.kind === 'ran-until' ? basis.coolantC : null,
    ambientC
  })),
  codes: sheet(CodesSheet, () => ({ codes: [] })),
  'level-and-look': sheet(LevelAndLookSheet, () => ({
    level: null,
    leaks: null,
    colour: null,
    face: null,
    belt: null,
    hoses: null,
    connector: null,
    added: null,
    note: '',
    fixAnyway: []
  })),
  'cold-agreement': sheet(ColdAgreementSheet, () => ({ ect: null, housing: null, iat: null, ambient: null })),
  'ect-ladder': sheet(EctLadderSheet, () => ({ points: [] })),
  'ect-substitute': sheet(EctSubstituteSheet, () => ({
    substituteC: null,
    air: null,
    oldOffC: null
  })),
  wiggle: sheet(WiggleSheet, () => ({
    sensorPlug: null,
    loom: null,
    unitPlug: null,
    ground: null,
    fanPlug: null,
    jumpC: null
  })),
  'gauge-compare': sheet(GaugeCompareSheet, () => ({
    needlePct: null,
    scanC: null,
    thermometer: null,
    sender: null
  })),
  'fan-switching': sheet(FanSwitchingSheet, () => ({
    stages: [{ name: 'low', onC: null, offC: null }],
    hottestC: null,
    by: 'scan',
    acOn: false,
    moving: false
  })),
  'relay-bench': sheet(RelayBenchSheet, () => ({
    coilOhm: null,
    clicks: null,
    dropV: null,
    loadA: null,
    restOhm: null
  })),
  'relay-socket': sheet(RelaySocketSheet, (_, spec) => ({
    circuit: (spec?.fan?.stages?.length ?? 0) > 1 ? 'fan-pair' : 'fan-relay',
    batteryV: 12.6,
    taken: [],
    names: {}
  })),
  'controller-in-out': sheet(ControllerSheet, () => ({
    circuit: 'fan-controller',
    batteryV: 12.6,
    taken: [],
    names: {}
  })),
  'clutch-hot-speed': sheet(ClutchHotSpeedSheet, () => ({ pairs: [], pulley: 1, coolantC: null })),
  'clutch-electronic': sheet(ClutchElectronicSheet, () => ({ pairs: [], unplugged: null, pickup: null })),
  'temperature-map': sheet(TemperatureMapSheet, ({ ambientC }) => ({
    points: {},
    instrument: lastInstrument('map', 'contact'),
    thermostat: null,
    ambientC
  })),
  'radiator-face': sheet(RadiatorFaceSheet, ({ ambientC }) => ({
    face: Array.from({ length: 4 }, () => Array.from({ length: 6 }, () => null)),
    flows: 'down',
    inC: null,
    outC: null,
    airC: ambientC,
    rpm: null,
    fan: 1
  })),
  'pressure-hold': sheet(PressureHoldSheet, () => ({ points: [], seen: null, engineRan: false })),
  'cap-test': sheet(CapTestSheet, () => ({ opensKPa: [], holds: null, seal: null })),
  'thermostat-bath': sheet(ThermostatBathSheet, () => ({ points: [], stampedC: null }))
};

const BY_HAND: CheckSheet = sheet(ByHandSheet, () => ({ judged: null, found: '' }));

/** The form of a check that is drawn from its fields. */
const drawn = (id: CheckId): CheckSheet =>
  sheet(CheckForm, (heat, spec) => ({
    ...emptyOf(checkOf(id).fields),
    ...(checkOf(id).begins({ heat, sheet: spec }) as object)
  }));

/**
 * The form of a check: its own component where it has one, else drawn from its fields; one without fields is judged by
 * hand, and so is what was judged by hand before.
 */
export function sheetOf(id: CheckId, byHand = false): CheckSheet {
  if (byHand) return BY_HAND;
  return SHEETS[id] ?? (checkOf(id).fields.length > 0 ? drawn(id) : BY_HAND);
}
