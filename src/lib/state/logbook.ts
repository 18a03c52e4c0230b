/** What tasks took in all jobs of this shop, from the rows of the list: no job is read for it. */
import { logbookOf, type SpentByAct } from '$core/procedure';
import { readRows } from './jobStore';

/** Empty where the browser's store cannot be read: then what is usual is said. */
export async function readLogbook(): Promise<SpentByAct> {
  try {
    const { rows } = await readRows();
    return logbookOf(rows.map(({ spent }) => spent));
  } catch {
    return {};
  }
}
