import { bytesOfCode } from '../../core/logs/bus/codes';
import { ANSWER_ID, REQUEST_ALL, REQUEST_ID, type Frame } from '../../core/logs/bus/frame';
import { identifierOf, IDENTIFIERS, supportFlags } from '../../core/logs/bus/identifiers';
import { Assembler, toFrames } from '../../core/logs/bus/isotp';
import type { SimulatedVehicle } from '../vehicle/vehicle';

/** Our own service for the demo's commanded fan test: A5 and a percentage, or A5 FF to end it. */
export const FAN_TEST = 0xa5;

/**
 * The control unit behind the adapter: takes request frames, gives the frames of its answers. A long answer stops
 * after its first frame until the asker says to go on.
 */
export class ControlUnit {
  readonly #vehicle: SimulatedVehicle;
  readonly #asked = new Assembler();
  #rest: Uint8Array[] = [];

  constructor(vehicle: SimulatedVehicle) {
    this.#vehicle = vehicle;
  }

  take(frame: Frame): Frame[] {
    if (frame.id !== REQUEST_ALL && frame.id !== REQUEST_ID) return [];
    if (frame.data[0] >> 4 === 3) {
      const rest = this.#rest.map((data) => ({ id: ANSWER_ID, data }));
      this.#rest = [];
      return rest;
    }
    const request = this.#asked.take(frame.data);
    const answer = request && this.#answer(request);
    if (!answer) return [];
    const [first, ...rest] = toFrames(answer);
    this.#rest = rest;
    return [{ id: ANSWER_ID, data: first }];
  }

  #answer(request: Uint8Array): Uint8Array | null {
    switch (request[0]) {
      case 0x01:
        return request.length === 2 && request[1] === 0x01
          ? Uint8Array.of(0x41, 0x01, ...this.#ownTests())
          : this.#values([...request.subarray(1)]);
      case 0x02:
        return this.#frozen(request[1]);
      case 0x03:
        return this.#codes(0x43, this.#vehicle.codes);
      case 0x07:
        return this.#codes(0x47, []);
      case 0x04:
        this.#vehicle.clearCodes();
        return Uint8Array.of(0x44);
      case FAN_TEST:
        this.#vehicle.commandFan(request[1] === 0xff ? null : request[1]);
        return Uint8Array.of(FAN_TEST + 0x40, request[1]);
      default:
        return null;
    }
  }

  #values(ids: number[]): Uint8Array | null {
    const has = IDENTIFIERS.map((i) => i.id).filter((id) => this.#vehicle.identifier(id) !== null);
    const body = ids.flatMap((id) => {
      if (id % 0x20 === 0) return [id, ...supportFlags(id, [...has, 0x20, 0x40])];
      const value = this.#vehicle.identifier(id);
      return value === null ? [] : [id, ...identifierOf(id)!.encode(value)];
    });
    return body.length > 0 ? Uint8Array.of(0x41, ...body) : null;
  }

  /** Lamp and number of codes; then which tests it has, and which have not run to their end since codes were cleared. */
  #ownTests(): number[] {
    const { codes, diesel, cleared } = this.#vehicle;
    const has = diesel ? 0b1110_1001 : 0b1110_0001;
    return [(codes.length > 0 ? 0x80 : 0) | codes.length, diesel ? 0x0f : 0x07, has, cleared ? has : 0];
  }

  /** Only the code: what the engine was like when it was set is not part of a vehicle’s setup. */
  #frozen(id: number): Uint8Array | null {
    const [code] = this.#vehicle.codes;
    return id === 0x02 ? Uint8Array.of(0x42, 0x02, 0x00, ...(code ? bytesOfCode(code) : [0, 0])) : null;
  }

  #codes(service: number, codes: readonly string[]): Uint8Array {
    return Uint8Array.of(service, codes.length, ...codes.flatMap((c) => bytesOfCode(c)));
  }
}
