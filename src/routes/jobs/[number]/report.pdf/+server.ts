import { writtenDate } from '$core/base/dates';
import { database } from '$lib/server/db/database';
import { reportView } from '$lib/server/views/report';
import { reportPdf } from '$lib/server/files/report-pdf';
import { shopZone } from '$lib/server/zone';

/** The report as a file, in the units and dates of whoever asks. */
export async function GET({ params, locals }) {
  const zone = shopZone();
  const report = await reportView(database(), params.number, zone, locals.dates);
  const madeAt = writtenDate(new Date().toISOString(), zone, 'date', locals.dates);
  const pdf = await reportPdf(report, locals.units, madeAt);
  const name = `${report.title}-${params.number}`.replace(/[^\w.-]+/g, '-');
  return new Response(new Uint8Array(pdf), {
    headers: { 'Content-Type': 'application/pdf', 'Content-Disposition': `inline; filename="${name}.pdf"` }
  });
}
