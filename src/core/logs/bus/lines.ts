/** Puts lines together from pieces of text, as they come over a socket. */
export function lineSplitter(onLine: (line: string) => void): (piece: string) => void {
  let rest = '';
  return (piece) => {
    const lines = (rest + piece).split(/\r?\n/);
    rest = lines.pop()!;
    for (const line of lines) onLine(line);
  };
}
