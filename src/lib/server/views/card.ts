import { error } from '@sveltejs/kit';
import { toString as drawCode } from 'qrcode';
import { isCheckId } from '../../../core/checks/registry';
import type { Database } from '../db/database';
import { jobOr404 } from './job';

/** A check on paper: of which job it is, and the code that leads back to its sheet at an address of this shop. */
export async function cardView(db: Database, number: string, check: string, origin: string) {
  const { vehicle, complaint, ...job } = await jobOr404(db, number);
  if (!isCheckId(check)) error(404, 'There is no such check');
  const back = `${origin}/jobs/${job.number}?check=${check}`;
  const code = await drawCode(back, { type: 'svg', margin: 0 });
  return {
    number: job.number,
    vehicle,
    complaint,
    check,
    back,
    code: `data:image/svg+xml;base64,${Buffer.from(code).toString('base64')}`
  };
}
