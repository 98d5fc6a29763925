/** What drives the plant over one step. Load 0 to 1. */
export interface DriveInput {
  rpm: number;
  load: number;
  speedKmh: number;
  ambientC: number;
  ac: boolean;
}

/** The plant's state; changed in place by {@link step}, which runs thousands of times. Temperatures in °C. */
export interface PlantState {
  metal: number;
  jacket: number;
  hose: number;
  cell1: number;
  cell2: number;
  ret: number;
  wax: number;
  lift: number;
  /** True temperature of the sensor body. */
  sensor: number;
  /** What the control unit reads, whole °C. */
  reading: number;
  fanCmdPct: number;
  fanPct: number;
  /** Stage in force, −1 none. */
  stage: number;
  fanRpm: number;
  clutchAirC: number;
  clutchEngaged: boolean;
  /** Seconds run since the start, and stood since it last stopped. */
  runS: number;
  stoodS: number;
  dropLeftS: number;
  /** Share of the filling that is left, 0 to 1, and of the high places that hold gas or steam besides what is lost. */
  filling: number;
  pocket: number;
  /** Pressure that combustion gas adds, kPa; and where the system stood when it was shut, °C. */
  gasKPa: number;
  restC: number;
  noise: number;
  /** Running totals since the start, kJ: heat in, heat out. */
  heatInKJ: number;
  heatOutKJ: number;
}

/** Share of the way a first-order lag goes in one step, by the trapezoidal rule: no overshoot for dt < 2τ. */
export const relax = (dt: number, tauS: number): number => dt / (tauS + dt / 2);

/** The engine turns under its own power. */
export const turning = (u: DriveInput): boolean => u.rpm >= 200;
