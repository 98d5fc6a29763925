/** A verb of the command line: what stands behind `pyrethos`, and what it does. */
export interface Verb {
  /** How it is called, a way a line, its own name in front. */
  readonly usage: string;
  run(args: string[]): void | Promise<void>;
}
