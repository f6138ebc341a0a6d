import { answer, api, Problem, sentenceOf, type Schemas } from '$lib/api/client';
import { queryClient } from '$lib/api/queries';
import { cutTo, evened, guessed, openRoom, turned, type Edits } from './calls';
import { Steps } from './steps.svelte';

export type Adjustments = Schemas['AdjustmentsResponse'];
export type Box = Schemas['Box'];
export type Look = Schemas['RoomResponse'];
type Opened = Schemas['Room'];

const restMs = 700;
const areaRestMs = 300;
/** What did not reach the server is sent again after this time. */
const againMs = 3_000;
const whole: Box = { x: 0, y: 0, width: 1, height: 1 };

/** One picture in the room: what is being done to it, what that makes of every cut, and what has been kept. */
export class Room {
  readonly id: string;
  file = $state.raw<Opened['file']>() as Opened['file'];
  versions = $state.raw<Opened['versions']>([]);
  edits = $state.raw<Edits>() as Edits;
  look = $state.raw<Look>() as Look;
  /** The keep area as it stands on the screen. */
  area = $state.raw<Box | null>(null);
  problem = $state('');
  /** Milliseconds since 1970; null before anything was kept. */
  keptAt = $state<number | null>(null);
  saving = $state(false);
  /** What another window kept meanwhile; nothing is kept here until it is chosen. */
  theirs = $state.raw<Opened | null>(null);
  readonly original: { width: number; height: number };
  readonly mostStraightenDeg: number;
  readonly cannotEdit: string | null;

  readonly steps = new Steps<Edits>();

  /** The version made in this visit, of which the next change is a later state. */
  private mine: number | null = null;
  /** A keep area drawn and not yet kept. */
  private wished: Box | null = null;
  private areaRest: ReturnType<typeof setTimeout> | undefined;
  private keeping: Promise<void> = Promise.resolve();
  private rest: ReturnType<typeof setTimeout> | undefined;
  /** The last call did not reach the server, or that could not do it just then. */
  private failed = false;
  private asking = false;
  private askAgain: (() => Schemas['RoomState']) | null = null;

  constructor(opened: Opened) {
    this.id = opened.file.id;
    this.original = { width: opened.originalWidth, height: opened.originalHeight };
    this.mostStraightenDeg = opened.mostStraightenDeg;
    this.cannotEdit = opened.cannotEdit;
    this.take(opened);
  }

  private take(opened: Opened) {
    this.file = opened.file;
    this.versions = opened.versions;
    this.look = opened.look;
    if (!this.wished) this.area = opened.look.keep;
    this.edits = opened.look.edits;
  }

  /** A change that undoes as one step; moves on the way to it are shown with `show`. */
  change(to: Edits) {
    this.steps.leave(this.shown ?? this.edits);
    this.shown = null;
    this.set(to);
  }
  undo() {
    const to = this.steps.undo(this.edits);
    if (to) this.set(to);
  }
  redo() {
    const to = this.steps.redo(this.edits);
    if (to) this.set(to);
  }
  /** Shows a change while it is still being made; what was there is remembered until it is done. */
  show(to: Edits) {
    this.shown ??= this.edits;
    this.edits = to;
    void this.ask();
  }
  private shown: Edits | null = null;

  private set(to: Edits) {
    this.edits = to;
    void this.ask();
    clearTimeout(this.rest);
    this.rest = setTimeout(() => void this.keep(), restMs);
  }

  async turn(quarters: number) {
    const now = await this.try(() => turned(this.id, this.edits, quarters));
    if (now) this.change(now);
  }
  async cutToShape(shape: string) {
    const now = await this.try(() => cutTo(this.id, this.edits, shape));
    if (now) this.change(now);
  }
  async even() {
    const even = await this.try(() => evened(this.id));
    if (even) this.change({ ...this.edits, adjustments: { ...even, sharpen: this.edits.adjustments.sharpen } });
  }
  cutWhole() {
    this.change({ ...this.edits, window: whole });
  }

  /** How it would look, as often as there is time for: the newest wish counts. */
  async ask() {
    const state = () => ({ edits: this.edits, keep: this.wished });
    if (this.asking) {
      this.askAgain = state;
      return;
    }
    this.asking = true;
    let next: (() => Schemas['RoomState']) | null = state;
    while (next) {
      const body: Schemas['RoomState'] = next();
      this.askAgain = null;
      const look = await this.try(() =>
        answer(api.POST('/api/files/{id}/room/look', { params: { path: { id: this.id } }, body })),
      );
      if (look) this.look = look;
      if (look && !this.wished) this.area = look.keep;
      next = this.askAgain;
    }
    this.asking = false;
  }

  /**
   * Keeps what stands here as a version and uses it everywhere; one after the other, each a later state of the last.
   */
  keep() {
    clearTimeout(this.rest);
    return (this.keeping = this.keeping.then(() => this.keepNow()));
  }
  private async keepNow() {
    if (!this.isWaiting || this.theirs) return;
    this.saving = true;
    const sent = this.edits;
    const known = this.versions.map((version) => version.number);
    const kept = await this.try(() =>
      answer(
        api.POST('/api/files/{id}/versions', {
          params: { path: { id: this.id } },
          headers: this.from,
          body: { edits: sent, keep: null, replaces: this.mine },
        }),
      ),
    );
    this.saving = false;
    if (!kept) return this.again();
    const now = kept.versions.find((version) => version.isInUse)?.number ?? 0;
    // Back at a version that was there before: the next change begins one of its own.
    this.mine = known.includes(now) ? null : now;
    this.done(kept, this.edits === sent);
  }
  /** Once more, where it was the line or the server that failed. */
  private again() {
    if (!this.failed || this.theirs) return;
    clearTimeout(this.rest);
    this.rest = setTimeout(() => void this.leave(), againMs);
  }

  private get from() {
    return { 'If-Match': `"${this.file.version}"` };
  }

  /** What is worked on and not kept: a window that closes would take it along. */
  get isUnkept() {
    return this.saving || this.wished !== null || this.isWaiting;
  }

  /** What stands here goes on, over what the other window kept: that stays among the versions. */
  keepMine() {
    if (!this.theirs) return;
    [this.file, this.versions] = [this.theirs.file, this.theirs.versions];
    [this.theirs, this.problem, this.mine] = [null, '', null];
    void this.leave();
  }

  /** What the other window kept is shown; undo brings mine back. */
  takeTheirs() {
    const theirs = this.theirs;
    [this.theirs, this.problem, this.mine, this.wished] = [null, '', null, null];
    if (!theirs) return;
    this.steps.leave(this.edits);
    this.take(theirs);
  }

  /** What is waiting to be kept, kept now. */
  async leave() {
    await this.keep();
    if (this.wished) await this.saveArea();
  }
  private get isWaiting() {
    const inUse = this.versions.find((version) => version.isInUse);
    return JSON.stringify(inUse?.edits) !== JSON.stringify(this.edits);
  }

  async use(number: number) {
    await this.leave();
    const used = await this.try(() =>
      answer(
        api.POST('/api/files/{id}/versions/{number}/use', {
          params: { path: { id: this.id, number } },
          headers: this.from,
          body: undefined,
        }),
      ),
    );
    if (!used) return;
    this.mine = null;
    this.steps.leave(this.edits);
    this.done(used, true);
  }
  beginNew() {
    this.mine = null;
  }

  /** Moves the keep area as it is drawn; every cut follows at once, and where it rests is kept. */
  moveArea(box: Box) {
    this.area = this.wished = box;
    void this.ask();
  }
  keepArea(box: Box) {
    this.moveArea(box);
    clearTimeout(this.areaRest);
    this.areaRest = setTimeout(() => void this.saveArea(), areaRestMs);
  }
  private async saveArea() {
    clearTimeout(this.areaRest);
    const box = this.wished;
    if (!box) return;
    await this.keep();
    const kept = await this.try(() =>
      answer(
        api.PATCH('/api/files/{id}', {
          params: { path: { id: this.id } },
          headers: this.from,
          body: { keep: { ...box, byHand: true } },
        }),
      ),
    );
    if (!kept) return this.again();
    this.file = kept;
    this.keptAt = Date.now();
    // Moved on meanwhile: that is kept in its turn.
    if (this.wished === box) this.wished = null;
    void queryClient.invalidateQueries({ queryKey: ['files'] });
  }
  async guessArea() {
    const guess = await this.try(() => guessed(this.id));
    if (guess) this.keepArea(guess);
  }

  private done(opened: Opened, isNewest: boolean) {
    this.keptAt = Date.now();
    if (isNewest) this.take(opened);
    else {
      this.file = opened.file;
      this.versions = opened.versions;
    }
    void queryClient.invalidateQueries({ queryKey: ['files'] });
  }
  private async try<T>(call: () => Promise<T>): Promise<T | null> {
    try {
      const got = await call();
      this.problem = '';
      return got;
    } catch (error) {
      this.problem = sentenceOf(error);
      this.failed = !(error instanceof Problem) || error.status === 0 || error.status >= 500;
      if (error instanceof Problem && error.more.now) this.theirs = await openRoom(this.id).catch(() => null);
      return null;
    }
  }
}
