import {
  type CreationOptional,
  DataTypes,
  type InferAttributes,
  type InferCreationAttributes,
  Model,
  type ModelStatic,
  type Sequelize
} from 'sequelize';
import type { SpecSheet } from '../../../core/vehicle/spec-sheet';
import type { RunReport } from '../../../core/runs/run-report';
import type { Band } from '../../../core/physics/plant/band';
import type { FaultId } from '../../../core/vehicle/faults';
import type { ShopCurve } from '../../../core/record/curves';
import type { EventBody } from '../../../core/record/events';
import type { RunSummary } from '../../../core/runs/run-summary';
import type { Spark } from '../../../core/runs/spark';
import type { Fingerprint } from '../../../core/handover/memory/fingerprint';
import type { Analysis } from '../../../core/runs/analyse';
import type { KnownFact } from '../../../core/physics/heat/facts';

type Row<T extends Model> = ModelStatic<T>;
type Own<T extends Model> = InferAttributes<T>;
type New<T extends Model> = InferCreationAttributes<T>;

/** The append-only record. The database refuses to change or delete a row. */
interface EventRow extends Model<Own<EventRow>, New<EventRow>> {
  id: string;
  stream: string;
  kind: EventBody['kind'];
  /** Of its kind, as it was written. */
  version: number;
  payload: EventBody['payload'];
  who: string;
  at: Date;
  /** Whose session and device it came from; null of an open house, of a file, and of what the server wrote. */
  personId: CreationOptional<string | null>;
  deviceId: CreationOptional<string | null>;
}

/** What follows is derived from the events and can be rebuilt from them at any time. */
interface VehicleRow extends Model<Own<VehicleRow>, New<VehicleRow>> {
  id: string;
  fleetNo: string;
  name: string;
  note: string;
  specSheetId: string | null;
  /** How its fan is driven, in words; empty without a sheet. */
  fan: string;
  /** It came with the demo, and is no vehicle of the workshop. */
  demo: boolean;
  /** False once its entry has been undone; likewise for jobs and runs. */
  active: boolean;
}

interface SpecSheetRow extends Model<Own<SpecSheetRow>, New<SpecSheetRow>> {
  /** The id of the event that saved it. */
  id: string;
  vehicleId: string;
  sheet: SpecSheet;
}

/** A sensor's curve of the shop. */
interface CurveRow extends Model<Own<CurveRow>, New<CurveRow>> {
  id: string;
  title: string;
  kept: ShopCurve;
}

export interface JobRow extends Model<Own<JobRow>, New<JobRow>> {
  id: string;
  number: number;
  vehicleId: string;
  complaint: string;
  state: 'open' | 'closed';
  outcome: string | null;
  /** What it was, of a closed job, where that is known. */
  cause: FaultId | null;
  closedAt: Date | null;
  /** When to look at it again, YYYY-MM-DD; null once that was done. */
  lookAgain: string | null;
  openedAt: Date;
  lastAt: Date;
  /** What is known about the engine's heat from this job. */
  facts: KnownFact[];
  /** Everything searchable: complaint, symptoms, codes, readings, notes. */
  words: string;
  active: boolean;
}

interface PhotoRow extends Model<Own<PhotoRow>, New<PhotoRow>> {
  id: string;
  /** The record it belongs to. */
  stream: string;
  mime: string;
  caption: string;
  data: Buffer;
  active: boolean;
}

/** A run and what was read from it. Samples are in the chunks. */
export interface RunRow extends Model<Own<RunRow>, New<RunRow>> {
  id: string;
  jobId: string;
  specSheetId: string;
  fileName: string;
  startedAt: string | null;
  importedAt: Date;
  durationS: number;
  sampleCount: number;
  channels: string[];
  marks: { t: number; text: string }[];
  report: RunReport;
  importWarnings: string[];
  analysis: Analysis;
  band: Band | null;
  /** What it tells of its vehicle; null where it tells nothing. */
  fingerprint: Fingerprint | null;
  /** Everything that case, lists and report ask of it. */
  summary: RunSummary | null;
  /** Drawn once for lists. */
  spark: Spark | null;
  /** The coolant curve in a hundred points or so, for lists. */
  preview: { t: number[]; ect: (number | null)[] };
  active: boolean;
}

interface RunChunkRow extends Model<Own<RunChunkRow>, New<RunChunkRow>> {
  runId: string;
  seq: number;
  fromS: number;
  toS: number;
  count: number;
  /** Columns one after the other: time as float64, then each channel of the run as float32, little-endian. */
  data: Buffer;
}

export interface Models {
  readonly events: Row<EventRow>;
  readonly vehicles: Row<VehicleRow>;
  readonly specSheets: Row<SpecSheetRow>;
  readonly curves: Row<CurveRow>;
  readonly jobs: Row<JobRow>;
  readonly runs: Row<RunRow>;
  readonly runChunks: Row<RunChunkRow>;
  readonly photos: Row<PhotoRow>;
}

export function defineModels(sequelize: Sequelize): Models {
  // Sequelize writes into the column objects it is given, so each column gets its own.
  const id = () => ({ type: DataTypes.UUID, primaryKey: true });
  const text = () => ({ type: DataTypes.TEXT, allowNull: false });
  const json = () => ({ type: DataTypes.JSONB, allowNull: false });
  const moment = () => ({ type: DataTypes.DATE, allowNull: false });
  const ref = () => ({ type: DataTypes.UUID, allowNull: false });
  const number = () => ({ type: DataTypes.DOUBLE, allowNull: false });
  const flag = () => ({ type: DataTypes.BOOLEAN, allowNull: false, defaultValue: true });
  const whole = () => ({ type: DataTypes.INTEGER, allowNull: false });
  return {
    events: sequelize.define<EventRow>(
      'event',
      {
        id: id(),
        stream: text(),
        kind: text(),
        version: whole(),
        payload: json(),
        who: text(),
        at: moment(),
        personId: { type: DataTypes.UUID },
        deviceId: { type: DataTypes.UUID }
      },
      { tableName: 'events' }
    ),
    vehicles: sequelize.define<VehicleRow>(
      'vehicle',
      {
        id: id(),
        fleetNo: text(),
        name: text(),
        note: text(),
        specSheetId: { type: DataTypes.UUID },
        fan: text(),
        demo: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
        active: flag()
      },
      { tableName: 'vehicles' }
    ),
    specSheets: sequelize.define<SpecSheetRow>(
      'specSheet',
      { id: id(), vehicleId: ref(), sheet: json() },
      { tableName: 'spec_sheets' }
    ),
    curves: sequelize.define<CurveRow>(
      'curve',
      { id: id(), title: text(), kept: json() },
      { tableName: 'curves' }
    ),
    jobs: sequelize.define<JobRow>(
      'job',
      {
        id: id(),
        number: { type: DataTypes.INTEGER },
        vehicleId: ref(),
        complaint: text(),
        state: text(),
        outcome: { type: DataTypes.TEXT },
        cause: { type: DataTypes.TEXT },
        closedAt: { type: DataTypes.DATE },
        lookAgain: { type: DataTypes.DATEONLY },
        openedAt: moment(),
        lastAt: moment(),
        facts: json(),
        words: text(),
        active: flag()
      },
      { tableName: 'jobs' }
    ),
    runs: sequelize.define<RunRow>(
      'run',
      {
        id: id(),
        jobId: ref(),
        specSheetId: ref(),
        fileName: text(),
        startedAt: { type: DataTypes.TEXT },
        importedAt: moment(),
        durationS: number(),
        sampleCount: whole(),
        channels: { type: DataTypes.ARRAY(DataTypes.TEXT), allowNull: false },
        marks: json(),
        report: json(),
        importWarnings: json(),
        analysis: json(),
        band: { type: DataTypes.JSONB },
        fingerprint: { type: DataTypes.JSONB },
        summary: { type: DataTypes.JSONB },
        spark: { type: DataTypes.JSONB },
        preview: json(),
        active: flag()
      },
      { tableName: 'runs' }
    ),
    runChunks: sequelize.define<RunChunkRow>(
      'runChunk',
      {
        runId: { type: DataTypes.UUID, primaryKey: true },
        seq: { type: DataTypes.INTEGER, primaryKey: true },
        fromS: number(),
        toS: number(),
        count: whole(),
        data: { type: DataTypes.BLOB, allowNull: false }
      },
      { tableName: 'run_chunks' }
    ),
    photos: sequelize.define<PhotoRow>(
      'photo',
      {
        id: id(),
        stream: text(),
        mime: text(),
        caption: text(),
        data: { type: DataTypes.BLOB, allowNull: false },
        active: flag()
      },
      { tableName: 'photos' }
    )
  };
}
