/** A grid of temperatures over the radiator's face, row by row from the top, left to right; null where not read. */
export type Face = readonly (readonly (number | null)[])[];

export interface FaceReading {
  /** Cells that are colder than a clean core would be there, by row and column. */
  readonly cold: readonly { readonly row: number; readonly column: number; readonly belowC: number }[];
  /** Whether the cold ones lie in whole rows, whole columns, or patches. */
  readonly shape: 'rows' | 'columns' | 'patch' | 'none';
  readonly share: number;
  /** What each cell should be, °C, the same shape as the face. */
  readonly expected: readonly (readonly number[])[];
}

export type FlowWay = 'down' | 'across';

/** Colder than expected by this share of its excess over the air, and by this much, counts as no flow there. */
const SHARE_COLD = 0.32;
const LEAST_C = 6;

/**
 * Cells where coolant does not come: held against a fall from inlet to outlet along the way of the flow (by ε of
 * the whole, exponential as in a core with even air) and against the median of their own station across the flow,
 * so that a gun that reads everything low hides nothing. °C; at least four readings.
 */
export function readFace(face: Face, way: FlowWay, inC: number, outC: number, airC: number): FaceReading {
  const rows = face.length;
  const columns = face[0].length;
  const stations = way === 'down' ? rows : columns;
  const station = (row: number, column: number) => (way === 'down' ? row : column);
  const passed = Math.max(0.02, (outC - airC) / Math.max(1, inC - airC));
  const due = (k: number) => airC + (inC - airC) * passed ** ((k + 0.5) / stations);
  const cells = face.flatMap((line, row) =>
    line.flatMap((c, column) => (c === null ? [] : [{ row, column, c }]))
  );
  // A gun reads a finned face low by a like share everywhere; the warmer half of the cells tells by how much.
  const ratios = cells
    .map(({ row, column, c }) => (c - airC) / (due(station(row, column)) - airC))
    .sort((a, b) => b - a);
  const scale = Math.min(1, ratios[Math.floor(ratios.length / 4)] ?? 1);
  const dueAt = (row: number, column: number) => airC + scale * (due(station(row, column)) - airC);
  const cold = cells.flatMap(({ row, column, c }) => {
    const belowC = dueAt(row, column) - c;
    return belowC > LEAST_C && belowC > SHARE_COLD * (dueAt(row, column) - airC)
      ? [{ row, column, belowC }]
      : [];
  });
  const inRow = (r: number) => cold.filter((x) => x.row === r).length;
  const inColumn = (c: number) => cold.filter((x) => x.column === c).length;
  const whole = (counts: number[], of: number) =>
    counts.length > 0 && counts.every((n) => n >= Math.ceil(0.8 * of));
  const rowsHit = [...new Set(cold.map((x) => x.row))];
  const columnsHit = [...new Set(cold.map((x) => x.column))];
  const shape =
    cold.length === 0
      ? 'none'
      : whole(columnsHit.map(inColumn), rows)
        ? 'columns'
        : whole(rowsHit.map(inRow), columns)
          ? 'rows'
          : 'patch';
  return {
    cold,
    shape,
    share: cells.length === 0 ? 0 : cold.length / cells.length,
    expected: face.map((line, row) => line.map((_, column) => dueAt(row, column)))
  };
}

/** Radiator effectiveness (Tin − Tout)/(Tin − Tair). Throws RangeError where inlet and air are within 5 °C. */
export function effectiveness(inC: number, outC: number, airC: number): number {
  if (!(inC - airC > 5)) throw new RangeError('inlet and air are too close for an effectiveness');
  return (inC - outC) / (inC - airC);
}
