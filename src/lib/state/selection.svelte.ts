/** What is selected, on the board and in the lists alike. */
export interface FactPlace {
  readonly code: string;
  readonly slotId?: string | undefined;
  readonly enclosureId?: string | undefined;
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
