/** Which devices needs want newer drivers for. */
import type { Need, NeedOf } from '../need.ts';

export const driverScopes = (needs: readonly Need[]): readonly NeedOf<'drivers'>['scope'][] =>
  needs.flatMap((need) => (need.kind === 'drivers' ? need.scope : []));
