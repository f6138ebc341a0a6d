const name = 'first-steps';
const samples = ['two-lanterns.jpg', 'diamond-kite-evening.jpg', 'sands-at-dusk-tall.jpg'];
/** A desk that opens is there well before this. */
const waitMs = 10_000;

/** Whether somebody is being led through the first steps, in this browser, and on which page. */
class FirstSteps {
  isOn = $state(localStorage.getItem(name) !== null);
  pageId = $state(localStorage.getItem(name) ?? '');
  /** The desk that is open says how pictures come onto its page. */
  place: ((files: File[]) => Promise<unknown>) | null = null;

  begin(pageId = '') {
    [this.isOn, this.pageId] = [true, pageId];
    localStorage.setItem(name, pageId);
  }

  leave() {
    this.isOn = false;
    localStorage.removeItem(name);
  }

  async placeSamples() {
    const files = await Promise.all(
      samples.map(
        async (file) => new File([await (await fetch(`/samples/${file}`)).blob()], file, { type: 'image/jpeg' }),
      ),
    );
    for (const until = Date.now() + waitMs; !this.place && Date.now() < until;)
      await new Promise((done) => setTimeout(done, 100));
    await this.place?.(files);
  }
}

export const firstSteps = new FirstSteps();
