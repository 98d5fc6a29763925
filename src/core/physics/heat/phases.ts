/** The engine's thermal state: the spine of a job. */
export const PHASES = ['cold', 'warming', 'regulating', 'hot', 'cooling'] as const;
export type ThermalPhase = (typeof PHASES)[number];

export const PHASE_TITLES: Readonly<Record<ThermalPhase, string>> = {
  cold: 'Cold-soaked',
  warming: 'Warming',
  regulating: 'Regulating',
  hot: 'Hot, stopped',
  cooling: 'Cooling'
};
