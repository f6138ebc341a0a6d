/** Letters that follow one another this fast are one step to take back. */
const oneStepMs = 600;

/** Numbers runs of changes to one thing: what is typed into a field or dragged along is one step. */
export class Runs {
  private last = { of: '', at: 0, run: 0 };

  of(what: string): number {
    const goesOn = what === this.last.of && Date.now() - this.last.at < oneStepMs;
    this.last = { of: what, at: Date.now(), run: this.last.run + (goesOn ? 0 : 1) };
    return this.last.run;
  }
}
