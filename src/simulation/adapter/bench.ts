import { limitsOf } from '../../core/vehicle/limits';
import { createServer, type Server, type Socket } from 'node:net';
import { readFrame, writeFrame, type Frame } from '../../core/logs/bus/frame';
import { lineSplitter } from '../../core/logs/bus/lines';
import { readSpecSheet } from '../../core/vehicle/read-sheet';
import { DRIVES, type DriveName } from '../../core/physics/plant/drive';
import { isFaultId } from '../../core/vehicle/faults';
import { seeded } from '../../core/base/random';
import { SimulatedBath } from '../vehicle/bath';
import { readCircuit } from '../vehicle/circuits';
import { scanFace } from '../vehicle/loop';
import { readPart } from '../vehicle/parts';
import { readInstrument } from '../vehicle/instruments';
import { INSTRUMENT_NAMES, PARTS, type InstrumentName, type Place } from '../../core/checks/hands';
import { ControlUnit } from './scan-adapter';
import { SimulatedVehicle, type VehicleSetup } from '../vehicle/vehicle';

/**
 * The simulated bench on a port of loopback: a scan adapter with a vehicle behind it. A line `(…) can0 ID#DATA` is
 * a frame for the vehicle; a line that begins with `{` steers the simulation: plug a vehicle in, turn the key,
 * pull the adapter out, read an instrument. Frames come back stamped by the adapter's own clock, which runs
 * `factor` times as fast as the wall's.
 */
export interface Bench {
  readonly port: number;
  close(): Promise<void>;
}

interface Options {
  readonly port: number;
  /** Milliseconds a control unit takes to answer, by draw. */
  readonly answerMs?: readonly [number, number];
  /** Share of requests that get no answer. */
  readonly dropped?: number;
  readonly seed?: number;
}

/** A bath takes the better part of an hour; the simulated one is over in half a minute. */
const BATH_FACTOR = 120;

type Said = Record<string, unknown>;

export async function startBench({
  port,
  answerMs = [6, 22],
  dropped = 0.004,
  seed = 1
}: Options): Promise<Bench> {
  const random = seeded(seed);
  const sockets = new Set<Socket>();
  let vehicle: SimulatedVehicle | null = null;
  let unit: ControlUnit | null = null;
  let factor = 1;
  let wallFrom = Date.now();
  let pulled = false;
  let bath: SimulatedBath | null = null;
  let bathFrom = 0;
  /** The adapter's clock goes on whatever is plugged in. */
  let clockFrom = 0;

  const clock = () => clockFrom + ((Date.now() - wallFrom) / 1000) * factor;
  const live = () => vehicle?.advanceTo(clock() - clockFrom);

  function plug(said: Said): Said {
    const sheet = readSpecSheet(said.spec);
    if (!sheet.ok) return { ok: false, message: sheet.problems[0].message };
    const fault = String(said.fault ?? 'none');
    const drive = String(said.drive ?? 'mixed');
    if (!isFaultId(fault)) return { ok: false, message: `no fault ${fault}` };
    if (!(drive in DRIVES)) return { ok: false, message: `no drive ${drive}` };
    const number = (name: string, otherwise: number) =>
      typeof said[name] === 'number' ? (said[name] as number) : otherwise;
    const ambientC = number('ambientC', 12);
    const setup: VehicleSetup = {
      spec: sheet.value,
      fault,
      severity: number('severity', 0.8),
      ambientC,
      startC: number('startC', ambientC),
      drive: drive as DriveName,
      seed: number('seed', 1),
      codes: Array.isArray(said.codes) ? said.codes.map(String) : []
    };
    clockFrom = clock();
    wallFrom = Date.now();
    factor = Math.min(60, Math.max(1, number('factor', 1)));
    try {
      vehicle = new SimulatedVehicle(setup);
    } catch (error) {
      return { ok: false, message: (error as Error).message };
    }
    unit = new ControlUnit(vehicle);
    if (said.running === true) vehicle.start();
    return { ok: true };
  }

  function steer(said: Said): Said {
    live();
    switch (said.do) {
      case 'plug':
        return plug(said);
      case 'start':
        vehicle?.start();
        return { ok: vehicle !== null };
      case 'stop':
        vehicle?.stop();
        return { ok: vehicle !== null };
      case 'pull':
        pulled = true;
        for (const s of sockets) if (s !== said.from) s.destroy();
        return { ok: true };
      case 'insert':
        pulled = false;
        return { ok: true };
      case 'hand':
        vehicle?.moveLoom(typeof said.place === 'string' ? said.place : null);
        return { ok: vehicle !== null };
      case 'read': {
        const name = INSTRUMENT_NAMES.find((n) => n === said.instrument) as InstrumentName | undefined;
        if (!vehicle || !name) return { ok: false, message: 'no such instrument, or no vehicle plugged in' };
        return { ok: true, value: readInstrument(vehicle, name, said.place as Place, random) };
      }
      case 'circuit': {
        const value =
          vehicle &&
          readCircuit(
            String(said.circuit),
            String(said.state),
            String(said.at),
            vehicle.fault,
            vehicle.seed,
            random
          );
        return value === null ? { ok: false, message: 'no vehicle, or no such place' } : { ok: true, value };
      }
      case 'part': {
        const part = PARTS.find((p) => p === said.part);
        const value = vehicle && part ? readPart(vehicle, part, Number(said.min ?? 0) || 0, random) : null;
        return value === null
          ? { ok: false, message: 'no vehicle, or it has no such part' }
          : { ok: true, value };
      }
      case 'radiator': {
        const shape = Array.isArray(said.shape) ? said.shape.map(Number).slice(0, 8) : [];
        if (!vehicle || shape.length === 0) return { ok: false, message: 'no vehicle, or no shape' };
        return { ok: true, ...scanFace(vehicle, shape, random) };
      }
      case 'bath-start':
        if (!vehicle) return { ok: false, message: 'no vehicle whose thermostat could be taken out' };
        bath = new SimulatedBath(vehicle.plant, limitsOf(vehicle.spec).minLiftMm.value);
        bathFrom = Date.now();
        return { ok: true };
      case 'bath-read':
        if (!bath) return { ok: false, message: 'the bath has not been started' };
        bath.advanceTo(((Date.now() - bathFrom) / 1000) * BATH_FACTOR);
        return { ok: true, ...bath.read(random) };
      default:
        return {
          ok: false,
          message:
            'say plug, start, stop, pull, insert, hand, read, part, circuit, radiator, bath-start or bath-read'
        };
    }
  }

  function answer(socket: Socket, frame: Frame): void {
    if (pulled || !unit || random() < dropped) return;
    const wait = answerMs[0] + random() * (answerMs[1] - answerMs[0]);
    setTimeout(() => {
      if (pulled || socket.destroyed || !unit) return;
      live();
      for (const f of unit.take(frame)) socket.write(`${writeFrame({ t: clock(), ...f })}\n`);
    }, wait);
  }

  const server: Server = createServer((socket) => {
    sockets.add(socket);
    socket.on('close', () => sockets.delete(socket));
    socket.on('error', () => socket.destroy());
    const onLine = (line: string) => {
      if (line.startsWith('{')) {
        let said: Said;
        try {
          said = JSON.parse(line) as Said;
        } catch {
          return void socket.write('{"ok":false,"message":"not JSON"}\n');
        }
        socket.write(`${JSON.stringify(steer({ ...said, from: socket }))}\n`);
        return;
      }
      const frame = readFrame(line);
      if (frame) answer(socket, frame);
    };
    socket.setEncoding('utf8').on('data', lineSplitter(onLine));
  });
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', resolve);
  });
  return {
    port: (server.address() as { port: number }).port,
    close: () =>
      new Promise((resolve) => {
        sockets.forEach((s) => s.destroy());
        server.close(() => resolve());
      })
  };
}
