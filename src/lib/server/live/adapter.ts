import { createConnection, type Socket } from 'node:net';
import {
  ANSWER_ID,
  readFrame,
  REQUEST_ALL,
  REQUEST_ID,
  writeFrame,
  type StampedFrame
} from '../../../core/logs/bus/frame';
import { lineSplitter } from '../../../core/logs/bus/lines';
import { Assembler, FLOW_GO_ON, isFirstFrame, toFrames } from '../../../core/logs/bus/isotp';

/** An answer of a control unit, with the adapter's own clock in s. */
interface AdapterAnswer {
  readonly t: number;
  readonly message: Uint8Array;
}

/** A scan adapter, whatever it is made of. One request at a time. */
export interface ScanAdapter {
  /** Sends a request; null where no answer came in time. Throws {@link AdapterLost} once the adapter is gone. */
  ask(request: Uint8Array): Promise<AdapterAnswer | null>;
  close(): void;
}

export class AdapterLost extends Error {}

const ANSWER_WITHIN_MS = 400;
const CONNECT_WITHIN_MS = 2000;

/** An adapter on a socket that carries frames as lines: `(seconds) interface ID#DATA` both ways. */
export async function socketAdapter(address: string): Promise<ScanAdapter> {
  const [host, port] = address.split(':');
  const socket = await connected(host, Number(port));
  let lost = false;
  let waiting: ((frame: StampedFrame) => void) | null = null;
  const gone = () => {
    lost = true;
    socket.destroy();
  };
  socket.on('error', gone);
  socket.on('close', gone);
  const onLine = (line: string) => {
    const frame = readFrame(line);
    if (frame?.id === ANSWER_ID) waiting?.(frame);
  };
  socket.setEncoding('utf8').on('data', lineSplitter(onLine));
  const send = (id: number, data: Uint8Array) => socket.write(`${writeFrame({ t: 0, id, data })}\n`);

  return {
    async ask(request) {
      if (lost) throw new AdapterLost(`the adapter at ${address} is gone`);
      const assembler = new Assembler();
      const answer = await new Promise<AdapterAnswer | null>((resolve) => {
        const timer = setTimeout(() => resolve(null), ANSWER_WITHIN_MS);
        waiting = ({ t, data }) => {
          if (isFirstFrame(data)) send(REQUEST_ID, FLOW_GO_ON);
          const message = assembler.take(data);
          if (!message || message[0] !== request[0] + 0x40) return;
          clearTimeout(timer);
          resolve({ t, message });
        };
        for (const data of toFrames(request)) send(REQUEST_ALL, data);
      });
      waiting = null;
      if (!answer && lost) throw new AdapterLost(`the adapter at ${address} is gone`);
      return answer;
    },
    close: () => socket.destroy()
  };
}

function connected(host: string, port: number): Promise<Socket> {
  return new Promise((resolve, reject) => {
    const socket = createConnection({ host, port });
    socket.setTimeout(CONNECT_WITHIN_MS);
    const fail = () => {
      socket.destroy();
      reject(new AdapterLost(`no adapter answers at ${host}:${port}`));
    };
    socket.once('timeout', fail);
    socket.once('error', fail);
    socket.once('connect', () => {
      socket.setTimeout(0);
      socket.off('error', fail);
      resolve(socket);
    });
  });
}

/**
 * An adapter that plays a bus capture back: each request is answered by the next answer of its service in the
 * capture, with the clock the capture has. At its end it is gone, as an adapter pulled out is.
 */
export function replayAdapter(capture: string): ScanAdapter {
  const assembler = new Assembler();
  const answers: AdapterAnswer[] = [];
  for (const line of capture.split(/\r?\n/)) {
    const frame = readFrame(line.trim());
    if (frame?.id !== ANSWER_ID) continue;
    const message = assembler.take(frame.data);
    if (message) answers.push({ t: frame.t, message });
  }
  let at = 0;
  return {
    async ask(request) {
      const next = answers.findIndex((a, i) => i >= at && a.message[0] === request[0] + 0x40);
      if (next < 0) throw new AdapterLost('the capture is at its end');
      at = next + 1;
      return answers[next];
    },
    close: () => (at = answers.length)
  };
}
