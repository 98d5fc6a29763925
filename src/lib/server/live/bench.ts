import { createConnection } from 'node:net';
import { lineSplitter } from '../../../core/logs/bus/lines';
import { bad, good, type Result } from '../../../core/base/result';

const ANSWER_WITHIN_MS = 2000;

/** Says one line to the simulated bench and gives its answer. */
export function tellBench(address: string, said: object): Promise<Result<Record<string, unknown>>> {
  const [host, port] = address.split(':');
  return new Promise((resolve) => {
    const socket = createConnection({ host, port: Number(port) });
    const end = (result: Result<Record<string, unknown>>) => {
      socket.destroy();
      resolve(result);
    };
    const away = () => end(bad({ message: `the simulated bench at ${address} does not answer` }));
    socket.setTimeout(ANSWER_WITHIN_MS, away);
    socket.once('error', away);
    socket.once('connect', () => socket.write(`${JSON.stringify(said)}\n`));
    const onLine = (line: string) => {
      let answer: Record<string, unknown>;
      try {
        answer = Object(JSON.parse(line)) as Record<string, unknown>;
      } catch {
        return end(bad({ message: `what answers at ${address} is no simulated bench` }));
      }
      end(answer.ok === true ? good(answer) : bad({ message: String(answer.message) }));
    };
    socket.setEncoding('utf8').on('data', lineSplitter(onLine));
  });
}
