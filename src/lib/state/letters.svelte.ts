/** Whether single letters and digits act: whoever dictates, or rests a hand on the keyboard, switches them off. */
const KEY = 'tenant-letters';

class Letters {
  act = $state(true);

  /** A browser that keeps nothing starts with them on. */
  read(): void {
    try {
      this.act = localStorage.getItem(KEY) !== 'off';
    } catch {
      this.act = true;
    }
  }

  switchTo(act: boolean): void {
    this.act = act;
    try {
      localStorage.setItem(KEY, act ? 'on' : 'off');
    } catch {
      // Not remembered: the choice still holds for this window.
    }
  }
}

export const letters = new Letters();
