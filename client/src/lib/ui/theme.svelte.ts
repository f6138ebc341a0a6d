export type Theme = 'paper' | 'lamp';

class Light {
  now = $state<Theme>(document.documentElement.dataset.theme === 'lamp' ? 'lamp' : 'paper');

  turn() {
    this.now = this.now === 'paper' ? 'lamp' : 'paper';
    document.documentElement.dataset.theme = this.now;
    localStorage.setItem('theme', this.now);
  }
}

export const light = new Light();
