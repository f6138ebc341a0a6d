type Theme = 'paper' | 'lamp';

class Light {
  now = $state<Theme>(document.documentElement.dataset.theme === 'lamp' ? 'lamp' : 'paper');

  turn() {
    this.now = this.now === 'paper' ? 'lamp' : 'paper';
    document.documentElement.dataset.theme = this.now;
    localStorage.setItem('theme', this.now);
  }

  /** Another theme for as long as a place wants it; the returned function gives the person's own back. */
  lend(theme: Theme) {
    document.documentElement.dataset.theme = theme;
    return () => void (document.documentElement.dataset.theme = this.now);
  }
}

export const light = new Light();
