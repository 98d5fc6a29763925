/** The heat scale, read from the tokens so that it is defined once. From cold (0) to ember (1). */
const STOPS = ['--heat-1', '--heat-2', '--heat-3', '--heat-4', '--heat-5'] as const;

/** Where the scale runs for an engine: a cold morning to well over the boiling point of water. */
const HEAT_FROM_C = 0;
const HEAT_TO_C = 118;

const known = new Map<string, string>();

/** Colours are asked for at every point of a plot, and finding one out makes the page lay itself out. */
function forget(): void {
  known.clear();
}
if (typeof window !== 'undefined') {
  window.addEventListener('themechange', forget);
  matchMedia('(prefers-color-scheme: dark)').addEventListener('change', forget);
}

/** A token as the colour it is in the present theme. */
export function token(name: string): string {
  const found = known.get(name) ?? probed(name);
  known.set(name, found);
  return found;
}

function probed(name: string): string {
  const probe = document.createElement('span');
  probe.style.color = `var(${name})`;
  document.body.append(probe);
  const colour = getComputedStyle(probe).color;
  probe.remove();
  return colour;
}

/** The colour of a temperature as a CSS expression, which markup rendered on the server can hold. */
export function heatVar(celsius: number): string {
  const x =
    Math.min(0.9999, Math.max(0, (celsius - HEAT_FROM_C) / (HEAT_TO_C - HEAT_FROM_C))) * (STOPS.length - 1);
  const i = Math.floor(x);
  const share = Math.round((x - i) * 100);
  return `color-mix(in oklab, var(${STOPS[i]}) ${100 - share}%, var(${STOPS[i + 1]}) ${share}%)`;
}
