type Deed = () => Promise<void>;
type Step = { undo: Deed; redo: Deed; of: string; at: number };

const oneStepMs = 900;
const mostSteps = 200;

/** What was done, in one history, whatever it was done to. */
export class Steps {
  private before = $state.raw<Step[]>([]);
  private after = $state.raw<Step[]>([]);
  readonly canUndo = $derived(this.before.length > 0);
  readonly canRedo = $derived(this.after.length > 0);

  /** @param of What is changed: while one thing is changed along, it is one step. */
  done(undo: Deed, redo: Deed, of = '') {
    const last = this.before.at(-1);
    const goesOn = of !== '' && last?.of === of && Date.now() - last.at < oneStepMs;
    const step = { undo: goesOn ? last.undo : undo, redo, of, at: Date.now() };
    this.before = [...(goesOn ? this.before.slice(0, -1) : this.before), step].slice(-mostSteps);
    this.after = [];
  }

  async undo() {
    const step = this.before.at(-1);
    if (!step) return;
    [this.before, this.after] = [this.before.slice(0, -1), [...this.after, step]];
    await step.undo();
  }

  async redo() {
    const step = this.after.at(-1);
    if (!step) return;
    [this.after, this.before] = [this.after.slice(0, -1), [...this.before, { ...step, of: '' }]];
    await step.redo();
  }
}
