const name = 'letter-keys';

/** Whether single letters act as keys; kept by this browser, for those whom they would get in the way (WCAG 2.1.4). */
class Letters {
  on = $state(localStorage.getItem(name) !== 'off');

  set(on: boolean) {
    this.on = on;
    localStorage.setItem(name, on ? 'on' : 'off');
  }
}

export const letters = new Letters();

/** Asked for from wherever the key was pressed, also inside a page on the desk. */
export const askForKeys = () => dispatchEvent(new Event('keys-asked'));
