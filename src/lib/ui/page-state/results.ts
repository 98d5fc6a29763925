import CircleCheck from '~icons/lucide/circle-check';
import CircleHelp from '~icons/lucide/circle-question-mark';
import CircleSlash from '~icons/lucide/circle-slash';
import TriangleAlert from '~icons/lucide/triangle-alert';
import type { CheckResult } from '$core/checks/check';

/** How a result is told everywhere: by word and by shape; colour only helps. */
export const RESULT_LOOK = {
  pass: { word: 'Pass', icon: CircleCheck, text: 'text-good', wash: 'bg-good-wash border-good' },
  fail: { word: 'Finding', icon: TriangleAlert, text: 'text-off', wash: 'bg-off-wash border-off' },
  unclear: { word: 'Unclear', icon: CircleHelp, text: 'text-ink', wash: 'bg-well border-line-strong' },
  void: { word: 'Void', icon: CircleSlash, text: 'text-ink-2', wash: 'bg-well border-line-strong' }
} as const satisfies Readonly<Record<CheckResult, unknown>>;
