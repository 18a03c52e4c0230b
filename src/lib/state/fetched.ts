/** What the application's own server answers. */
import * as z from 'zod/mini';

const JSON_TYPE = { 'content-type': 'application/json' };

/** Null where it was not reached or its answer does not read. @param question what is too long for an address */
export async function fetched<Schema extends z.core.$ZodType>(
  address: string,
  schema: Schema,
  question?: object,
): Promise<z.infer<Schema> | null> {
  try {
    const asked = question && {
      method: 'POST',
      body: JSON.stringify(question),
      headers: JSON_TYPE,
    };
    const answer = await fetch(address, asked);
    if (!answer.ok) return null;
    const parsed = z.safeParse(schema, await answer.json());
    return parsed.success ? parsed.data : null;
  } catch {
    return null;
  }
}
