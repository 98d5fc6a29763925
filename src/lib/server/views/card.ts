import { error } from '@sveltejs/kit';
import { isCheckId } from '../../../core/checks/registry';
import type { Database } from '../db/database';
import { backCode } from './back-code';
import { jobOr404 } from './job';

/** A check on paper: of which job it is, and the code that leads back to its sheet at an address of this shop. */
export async function cardView(db: Database, number: string, check: string, origin: string) {
  const { vehicle, complaint, ...job } = await jobOr404(db, number);
  if (!isCheckId(check)) error(404, 'There is no such check');
  const back = `${origin}/jobs/${job.number}?check=${check}`;
  return {
    number: job.number,
    vehicle,
    complaint,
    check,
    back,
    code: await backCode(back)
  };
}
