/** What is selected, on the board and in the lists alike. */
import type { FactCode } from '$core/rules';
import type { FactName } from '$core/survey';

export interface FactPlace {
  readonly code: FactCode | FactName;
  readonly slotId?: string | undefined;
  readonly enclosureId?: string | undefined;
  readonly screenId?: string | undefined;
  /** A device of the network path, or a lead of it. */
  readonly hopId?: string | undefined;
  readonly leadId?: string | undefined;
}

class Selection {
  slotId = $state<string | null>(null);
  cardId = $state<string | null>(null);
  /** A card that is only looked at: under the pointer, or with the focus. */
  glancedId = $state<string | null>(null);
  /** A fact that the survey is to open at. */
  wantedFact = $state.raw<FactPlace | null>(null);

  clear(): void {
    this.slotId = null;
    this.cardId = null;
    this.glancedId = null;
  }
}

export const selection = new Selection();
