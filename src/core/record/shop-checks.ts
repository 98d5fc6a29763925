import { z } from 'zod';
import { CHECK_IDS, checkOf, type CheckId } from '../checks/registry';
import { TOOLS, type Tool } from '../measure/tools';

/** How checks are done in a shop: what it is without, and how long a check takes its people. */
export const shopChecksSchema = z.object({
  /** Tools that are not at hand: checks that need one are not offered. */
  without: z.array(z.enum(TOOLS)).default([]),
  /** Hands-on minutes of its own; the catalogue's where it says none. */
  minutes: z
    .partialRecord(
      z.enum(CHECK_IDS),
      z
        .number('Minutes are a number')
        .min(1, 'A check takes a minute at least')
        .max(240, 'More than 4 hours is no check')
    )
    .default({})
});
export type ShopChecks = z.infer<typeof shopChecksSchema>;
export const USUAL_CHECKS: ShopChecks = shopChecksSchema.parse({});

/** Whoever has no scan tool at all has none that commands. */
const lacksTool = (tool: Tool, without: readonly Tool[]): boolean =>
  without.includes(tool) || (tool === 'Scan tool that commands' && without.includes('Scan tool'));

/** The tool that a check needs and the shop is without; null where it can be done. */
export const missingFor = (id: CheckId, { without }: ShopChecks): Tool | null =>
  checkOf(id).tools.find((tool) => lacksTool(tool, without)) ?? null;

/** Hands-on minutes of a check here. */
export const minutesOf = (id: CheckId, { minutes }: ShopChecks): number => minutes[id] ?? checkOf(id).minutes;
