/** Light by default, dark for the dim corner of a workshop; remembered in this browser. */
type Theme = 'g10' | 'g100';
const KEY = 'tenant-theme';

class ThemeChoice {
  current = $state<Theme>('g10');

  /** Reads the choice; a browser that keeps nothing starts light. */
  read(): void {
    try {
      this.set(localStorage.getItem(KEY) === 'g100' ? 'g100' : 'g10');
    } catch {
      this.set('g10');
    }
  }

  toggle(): void {
    this.set(this.current === 'g10' ? 'g100' : 'g10');
    try {
      localStorage.setItem(KEY, this.current);
    } catch {
      // Not remembered: the choice still holds for this window.
    }
  }

  private set(theme: Theme): void {
    this.current = theme;
    document.documentElement.setAttribute('theme', theme);
  }
}

export const theme = new ThemeChoice();
