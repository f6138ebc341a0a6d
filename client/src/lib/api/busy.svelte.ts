/** A wait that is longer than this is shown. */
const afterMs = 300;

/** Whether something that was asked for takes its time. */
class Busy {
  isLong = $state(false);
  private going = 0;
  private timer = 0;

  begin() {
    if (++this.going === 1) this.timer = window.setTimeout(() => (this.isLong = true), afterMs);
  }

  end() {
    if (--this.going > 0) return;
    clearTimeout(this.timer);
    this.isLong = false;
  }
}

export const busy = new Busy();
