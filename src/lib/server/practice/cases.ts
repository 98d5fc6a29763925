import { readdirSync, readFileSync } from 'node:fs';
import { LEVEL_IDS, readPracticeCase, type PracticeCase } from '../../../core/practice/case';
import type { SpecSheet } from '../../../core/vehicle/spec-sheet';
import { endlessCase } from '../../../simulation/practice/endless';
import { log } from '../log';

/** Cases that somebody wrote lie here; a shop may put its own beside them. */
const FOLDER = process.env.PYRETHOS_PRACTICE ?? 'practice';
/** Numbers of endless cases. */
export const HIGHEST_NUMBER = 999_999;

let read: readonly PracticeCase[] | null = null;

/** Cases that were written, in the order of their files; one that does not read is told in the log and left out. */
export function writtenCases(): readonly PracticeCase[] {
  return (read ??= readdirSync(FOLDER)
    .filter((file) => file.endsWith('.case.json'))
    .sort()
    .flatMap((file) => {
      try {
        const found = readPracticeCase(JSON.parse(readFileSync(`${FOLDER}/${file}`, 'utf8')));
        if (found.ok) return [found.value];
        log.warn({ file, problems: found.problems }, 'a practice case does not read');
      } catch (error) {
        log.warn({ file, error: (error as Error).message }, 'a practice case does not read');
      }
      return [];
    }));
}

const sheets = (): SpecSheet[] => [...new Map(writtenCases().map((c) => [c.sheet.name, c.sheet])).values()];

const ENDLESS = /^endless-([1-5])-([1-9]\d{0,5})$/;

/** A case by its name: one that was written, or `endless-LEVEL-NUMBER`. Null where there is none. */
export function caseNamed(id: string): PracticeCase | null {
  const endless = ENDLESS.exec(id);
  if (!endless) return writtenCases().find((c) => c.id === id) ?? null;
  const level = LEVEL_IDS.find((l) => l === Number(endless[1]))!;
  return endlessCase(level, Number(endless[2]), sheets());
}
