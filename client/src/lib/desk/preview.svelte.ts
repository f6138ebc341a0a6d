import { answer, api, sentenceOf, type Look, type Schemas } from '$lib/api/client';
import type { FigureAttrs } from '$lib/model/attrs';
import type { Desk } from './desk.svelte';
import { slotAt } from './geometry';

const restMs = 300;

/** What the server says of the page as it stands: how each piece is drawn, how each picture fits, what it weighs. */
export class Preview {
  look = $state.raw<Look | null>(null);
  problem = $state('');
  /** How pictures were placed when the look was asked for. */
  private placed = $state.raw<Readonly<Record<string, FigureAttrs>>>({});
  private timer = 0;
  private isAsking = false;
  private askAgain = false;
  private figuresSeen = '';
  private wants: HTMLStyleElement | null = null;

  constructor(private readonly desk: Desk) {}

  async ask() {
    if (!this.desk.editor) return;
    if (this.isAsking) {
      this.askAgain = true;
      return;
    }
    this.isAsking = true;
    const placed = this.placedNow();
    try {
      const look = await answer(
        api.POST('/api/pages/{id}/look', {
          params: { path: { id: this.desk.id }, query: { after: this.look?.mark } },
          body: this.desk.trial.body(),
        }),
      );
      this.look = this.completed(look);
      this.placed = placed;
      this.desk.views.draw(this.look.blocks);
      this.desk.trial.show();
      this.desk.moved++;
      this.problem = '';
    } catch (error) {
      this.problem = sentenceOf(error);
    }
    this.isAsking = false;
    if (this.askAgain) {
      this.askAgain = false;
      void this.ask();
    }
  }

  /**
   * A picture that changed is redrawn at once; words are on the page already and only the figures of their weight
   * wait.
   */
  changed() {
    const figures = JSON.stringify(
      [...this.desk.pieces, ...this.desk.inner].map(({ figure, columns, band, inLine, files, arrangement }) => [
        figure,
        columns,
        band,
        inLine,
        files,
        arrangement,
      ]),
    );
    clearTimeout(this.timer);
    if (figures !== this.figuresSeen) void this.ask();
    else this.timer = window.setTimeout(() => void this.ask(), restMs);
    this.figuresSeen = figures;
  }

  /** Whether the look is of the picture's present placement: since it was asked for it may have become another. */
  placesAsNow(id: string, { size, side, at }: FigureAttrs) {
    const then = this.placed[id];
    return then?.size === size && then.side === side && then.at === at;
  }

  private placedNow() {
    const all = [...this.desk.pieces, ...this.desk.inner];
    return Object.fromEntries(all.flatMap(({ id, figure }) => (figure ? [[id, figure]] : [])));
  }

  end() {
    clearTimeout(this.timer);
  }

  /** Empty cells say how wide a picture would stand in them at this width; links to files say what they lead to. */
  nameThings() {
    const inside = this.desk.frame?.contentDocument;
    if (!inside) return;
    const rules = [...this.desk.pieces, ...this.desk.inner].flatMap(({ id, columns }) => {
      const cell = columns && this.desk.cellOf(columns);
      return cell
        ? `[data-block="${CSS.escape(id)}"] { --wants: "${Math.round(slotAt(cell.width, this.desk.width))} px wide"; }`
        : [];
    });
    for (const [link, facts] of Object.entries(this.look?.files ?? {}))
      rules.push(`.ProseMirror a[title="${CSS.escape(link)}"]::after { content: "${facts}"; }`);
    if (this.wants?.ownerDocument !== inside) this.wants = inside.head.appendChild(inside.createElement('style'));
    if (this.wants.textContent !== rules.join('\n')) this.wants.textContent = rules.join('\n');
  }

  /** A look tells only what is not as in the one before. */
  private completed({ blocks, figures, ...rest }: Schemas['DraftPreviewResponse']): Look {
    const before = Object.fromEntries(this.look?.blocks.map((block) => [block.id, block.html]) ?? []);
    return {
      ...rest,
      blocks: blocks.map(({ id, html }) => ({ id, html: html ?? before[id] ?? '' })),
      figures: { ...this.look?.figures, ...figures },
    };
  }
}
