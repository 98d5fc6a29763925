import { page } from '$app/state';
import type { ShopCurve } from '$core/record/curves';

/** The sensor curves the shop keeps: every page has them, as the calculator, the sheets and the ladder all ask. */
export const shopCurves = (): readonly ShopCurve[] =>
  (page.data.curves as readonly ShopCurve[] | undefined) ?? [];
