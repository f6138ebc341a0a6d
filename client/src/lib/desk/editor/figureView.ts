import type { NodeViewRenderer } from '@tiptap/core';
import type { Node as PmNode } from '@tiptap/pm/model';
import type { ColumnsAttrs } from '$lib/model/attrs';

/** A piece in the frame that is drawn as the server renders it. */
type Drawn = { dom: HTMLElement; fill: (drawn: HTMLElement | undefined) => void };
type Holder = 'band' | 'columns' | 'cell';

/**
 * The figures on the desk. Each shows the fragment that the server renders for it; a picture element that is the same as
 * before stays in the document, so that nothing flickers.
 */
export class FigureViews {
  /** The fragments of the page's own pieces, and in them the part of every piece that stands inside another. */
  private fragments = new Map<string, { html: string; parts: Map<string, HTMLElement> }>();
  private parts = new Map<string, HTMLElement>();
  private mounted = new Map<string, Set<Drawn>>();
  /** What moves behind words while somebody looks at it. */
  private moving = new Set<string>();

  constructor(private frame: () => Document) {}

  /** A piece that is wholly the server's to draw. */
  readonly createDrawn =
    (tag: 'figure' | 'div' | 'span', waiting: string): NodeViewRenderer =>
    ({ node }) => {
      const dom = this.frame().createElement(tag);
      dom.contentEditable = 'false';
      dom.className = waiting;
      return {
        dom,
        ...this.followed(node, { dom, fill: (drawn) => this.fill(dom, drawn, waiting) }),
        ignoreMutation: () => true,
      };
    };

  /**
   * What holds other pieces is drawn as the server has it, with its ground; what stands in it is the document's own.
   */
  readonly createHolder =
    (name: Holder): NodeViewRenderer =>
    ({ node }) => {
      const dom = this.frame().createElement('div');
      let attrs = node.attrs as ColumnsAttrs;
      const contentDOM = name === 'columns' ? dom : this.frame().createElement('div');
      dom.className = emptyClass(name, attrs);
      if (contentDOM !== dom) {
        contentDOM.className = `${name}-words`;
        dom.append(contentDOM);
      }
      const followed = this.followed(node, {
        dom,
        fill: (drawn) => this.fillHolder(emptyClass(name, attrs), dom, contentDOM, drawn),
      });
      return {
        dom,
        contentDOM,
        ...followed,
        update: (now: PmNode) => {
          attrs = now.attrs as ColumnsAttrs;
          const isSame = followed.update(now);
          // Columns that hold nothing yet are not rendered, and stand as they will.
          if (isSame && !this.parts.has(attrs.id ?? '')) dom.className = emptyClass(name, attrs);
          return isSame;
        },
        ignoreMutation: (mutation) =>
          mutation.type !== 'selection' &&
          ((mutation.type === 'attributes' && mutation.target === dom) || !contentDOM.contains(mutation.target)),
      };
    };

  /** Keeps a piece drawn under the id it has. */
  private followed(node: PmNode, drawn: Drawn) {
    let id = node.attrs.id as string | null;
    this.mount(id, drawn);
    return {
      update: (now: PmNode) => {
        if (now.type !== node.type) return false;
        if (now.attrs.id !== id) {
          this.unmount(id, drawn);
          id = now.attrs.id as string | null;
          this.mount(id, drawn);
        }
        return true;
      },
      // Selection is drawn over the frame, not in it.
      selectNode: () => {},
      deselectNode: () => {},
      destroy: () => this.unmount(id, drawn),
    };
  }

  /** Takes the server's fragments, by block id. */
  draw(blocks: { id: string; html: string }[]) {
    const before = [this.fragments, this.parts] as const;
    this.fragments = new Map(
      blocks.map(({ id, html }) => [id, before[0].get(id)?.html === html ? before[0].get(id)! : this.read(html)]),
    );
    this.parts = new Map([...this.fragments.values()].flatMap(({ parts }) => [...parts]));
    for (const [id, views] of this.mounted) {
      const drawn = this.parts.get(id);
      if (!drawn || drawn !== before[1].get(id)) for (const view of views) view.fill(drawn);
    }
  }

  /** Lets the film behind words play on the page, or stops it. */
  move(id: string, isOn: boolean) {
    if (isOn) this.moving.add(id);
    else this.moving.delete(id);
    for (const view of this.mounted.get(id) ?? []) view.fill(this.parts.get(id));
  }

  /** A piece as it was drawn last, to be shown where the document has none; null where it was not drawn. */
  copyOf(id: string) {
    const part = this.parts.get(id);
    if (!part) return null;
    const copy = part.cloneNode(true) as HTMLElement;
    for (const image of copy.querySelectorAll('img')) image.loading = 'eager';
    copy.contentEditable = 'false';
    return copy;
  }

  private read(html: string) {
    const template = this.frame().createElement('template');
    template.innerHTML = html;
    const all = template.content.querySelectorAll<HTMLElement>('figure[data-block], div[data-block], span[data-block]');
    return { html, parts: new Map([...all].map((part) => [part.dataset.block!, part])) };
  }

  private mount(id: string | null, drawn: Drawn) {
    if (!id) return;
    drawn.dom.dataset.block = id;
    this.mounted.set(id, (this.mounted.get(id) ?? new Set()).add(drawn));
    drawn.fill(this.parts.get(id));
  }

  private unmount(id: string | null, drawn: Drawn) {
    if (id) this.mounted.get(id)?.delete(drawn);
  }

  private fillHolder(emptyClass: string, dom: HTMLElement, words: HTMLElement, drawn: HTMLElement | undefined) {
    dom.className = drawn?.className ?? emptyClass;
    dom.style.cssText = drawn?.style.cssText ?? '';
    if (words === dom) return;
    fillGround(dom, words, drawn);
    this.fillFilm(dom, words, drawn?.querySelector<HTMLVideoElement>(':scope > video.ground'));
  }

  private fillFilm(dom: HTMLElement, words: HTMLElement, film: HTMLVideoElement | null | undefined) {
    const stands = dom.querySelector<HTMLVideoElement>(':scope > video');
    const wanted = this.moving.has(dom.dataset.block ?? '') ? film : null;
    if (stands && wanted && stands.src === wanted.src) return;
    stands?.remove();
    if (!wanted) return;
    const plays = wanted.cloneNode() as HTMLVideoElement;
    plays.classList.add('plays');
    plays.contentEditable = 'false';
    plays.muted = true;
    dom.insertBefore(plays, words);
    void plays.play().catch(() => {});
  }

  private fill(dom: HTMLElement, rendered: HTMLElement | undefined, waiting: string) {
    if (!rendered) {
      // Nothing is drawn for a picture that is no longer in the library; before the first look it is still on its way.
      if (this.fragments.size > 0) dom.replaceChildren();
      if (!dom.hasChildNodes()) dom.className = this.fragments.size > 0 ? `${waiting} dk-gone` : waiting;
      return;
    }
    const drawn = rendered.cloneNode(true) as HTMLElement;
    dom.className = drawn.className;
    dom.style.cssText = drawn.style.cssText;
    // What is worked on is in view or soon will be; waiting for the scroll would show blanks.
    for (const video of drawn.querySelectorAll('video')) video.autoplay = false;
    for (const image of drawn.querySelectorAll('img')) {
      image.loading = 'eager';
      image.draggable = false;
    }
    if (dom.innerHTML === drawn.innerHTML) return;
    const was = dom.querySelector('img');
    const now = drawn.querySelector('img');
    const same = was && now && was.outerHTML === now.outerHTML;
    dom.replaceChildren(...drawn.childNodes);
    if (same) dom.querySelector('img')?.replaceWith(was);
  }
}

function fillGround(dom: HTMLElement, words: HTMLElement, drawn: HTMLElement | undefined) {
  const ground = drawn?.querySelector(':scope > .ground, :scope > picture, :scope > img')?.cloneNode(true) as
    HTMLElement | undefined;
  const stands = dom.firstElementChild === words ? null : dom.firstElementChild;
  for (const image of ground?.querySelectorAll('img') ?? []) image.loading = 'eager';
  ground?.setAttribute('contenteditable', 'false');
  if ((stands?.outerHTML ?? '') === (ground?.outerHTML ?? '')) return;
  stands?.remove();
  if (ground) dom.prepend(ground);
}

/** Before the server has rendered it, and where it renders nothing. */
const emptyClass = (name: Holder, { inRow, extent }: ColumnsAttrs) =>
  ({
    band: 'band dk-band-empty',
    columns: `cells cells-${inRow}${extent === 'wide' ? ' cells-wide' : ''}`,
    cell: 'cell',
  })[name];
