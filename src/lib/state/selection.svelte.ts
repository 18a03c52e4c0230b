/** What is selected, on the board and in the lists alike. */
class Selection {
  slotId = $state<string | null>(null);
  cardId = $state<string | null>(null);

  clear(): void {
    this.slotId = null;
    this.cardId = null;
  }
}

export const selection = new Selection();
