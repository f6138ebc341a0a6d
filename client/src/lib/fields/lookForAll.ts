import { answer, api, sentenceOf, type SiteLook } from '$lib/api/client';
import { askAnew, sitePlan } from '$lib/api/queries';
import type { LookAttrs } from '$lib/model/attrs';

type Looks = SiteLook['looks'];

/** A look as it was seen, so that nobody else's change of it is written over; none has to be there where it is new. */
export function seenOf(looks: Looks, id: string): Record<string, string> {
  const there = looks.find((one) => one.id === id);
  return there ? { 'If-Match': `"${there.seen}"` } : { 'If-None-Match': '*' };
}

export const keepLook = (looks: Looks, id: string, name: string, look: LookAttrs) =>
  answer(
    api.PUT('/api/site/looks/{id}', { params: { path: { id } }, headers: seenOf(looks, id), body: { name, look } }),
  );

/** A change of a look that pictures share, to be taken back and done again; changes in quick succession are one. */
export class LookForAll {
  private at = 0;
  constructor(
    readonly id: string,
    private readonly before: LookAttrs,
    private now: LookAttrs,
    private readonly onlooks: (looks: Looks) => Promise<void> | void,
    private readonly onproblem: (sentence: string) => void,
  ) {
    this.at = Date.now();
  }

  /** Whether a change goes on with this one, and then it does. */
  takes(id: string, look: LookAttrs) {
    const isOn = id === this.id && Date.now() - this.at < oneStepMs;
    if (isOn) [this.at, this.now] = [Date.now(), look];
    return isOn;
  }

  undo = () => void this.set(this.before);
  redo = () => void this.set(this.now);

  private async set(look: LookAttrs) {
    // What comes after is a change of its own.
    this.at = 0;
    try {
      const { looks } = await askAnew(sitePlan());
      const there = looks.find((one) => one.id === this.id);
      if (there) await this.onlooks(await keepLook(looks, this.id, there.name, look));
    } catch (error) {
      this.onproblem(sentenceOf(error));
    }
  }
}

const oneStepMs = 1500;
