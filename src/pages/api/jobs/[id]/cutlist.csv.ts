import type { APIRoute } from 'astro';
import { solve } from '../../../../core/solve.js';
import type { LengthStyle } from '../../../../core/units/index.js';
import { cutListCsv } from '../../../../formats/csv.js';
import { fileNameFor } from '../../../../formats/filename.js';
import { answer } from '../../../../server/answer.js';
import { database } from '../../../../server/database.js';
import { readStoredJob } from '../../../../server/jobs.js';
import { Refusal } from '../../../../server/refusal.js';

/** The cut list as CSV, in the job's unit or in `?unit=mm|in`. */
export const GET: APIRoute = (context) =>
  answer(context, () => {
    const unit = context.url.searchParams.get('unit');
    if (unit !== null && unit !== 'mm' && unit !== 'in')
      throw new Refusal(400, 'wrong-unit', 'The unit should be mm or in.', [
        { path: 'unit', message: 'This should be mm or in.' },
      ]);
    const { document } = readStoredJob(database(), context.params.id ?? '');
    const style: LengthStyle = unit ? { ...document.display, unit } : document.display;
    return new Response(cutListCsv(solve(document), style), {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': `attachment; filename="${fileNameFor(document.name)}-cut-list.csv"`,
      },
    });
  });
