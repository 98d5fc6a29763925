import { lazy } from '../../core/base/lazy';

/** The shop's time zone: every tablet shows the same hours. */
export const shopZone = lazy(
  (): string => process.env.PYRETHOS_ZONE ?? Intl.DateTimeFormat().resolvedOptions().timeZone
);
