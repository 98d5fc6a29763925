import { z } from 'zod';
import { curveSchema } from '../vehicle/spec-sheet';
import { problemsOfPoints } from '../physics/thermistor/fit';
import type { LibraryCurve } from '../physics/thermistor/library';

/** A sensor's curve that a shop keeps beside our families: measured, typed from a table, or fitted. */
export const shopCurveSchema = z.object({
  title: z.string().trim().min(1, 'Give the curve a name').max(80, 'A name of 80 letters is long enough'),
  /** Where it comes from: a table, a ladder of a job, whatever makes it believable. */
  source: z.string().trim().max(300).default(''),
  curve: curveSchema.superRefine((curve, context) => {
    if (curve.kind !== 'table') return;
    for (const { field, message } of problemsOfPoints(curve.points))
      context.addIssue({ code: 'custom', message, path: (field ?? '').split('.') });
  })
});

export interface ShopCurve extends LibraryCurve {
  readonly source: string;
}
