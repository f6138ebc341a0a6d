import type { NodeViewRenderer } from '@tiptap/core';
import type { Node as PmNode } from '@tiptap/pm/model';

/** A piece in the frame that shows what the server renders for it. */
type Drawn = { dom: HTMLElement; fill: (html: string | undefined) => void };

/**
 * The figures on the desk. Each shows the fragment that the server renders for it; a picture element that is the same as
 * before stays in the document, so that nothing flickers.
 */
export class FigureViews {
  private html = new Map<string, string>();
  private mounted = new Map<string, Set<Drawn>>();

  constructor(private frame: () => Document) {}

  readonly create: NodeViewRenderer = ({ node }) => {
    const dom = this.frame().createElement('figure');
    dom.contentEditable = 'false';
    dom.className = 'fig dk-waiting';
    return { dom, ...this.followed(node, { dom, fill: (html) => this.fill(dom, html) }), ignoreMutation: () => true };
  };

  /** A band's ground is drawn as the server has it; its words are the document's own. */
  readonly createBand: NodeViewRenderer = ({ node }) => {
    const dom = this.frame().createElement('div');
    const contentDOM = this.frame().createElement('div');
    dom.className = 'band dk-band-empty';
    contentDOM.className = 'band-words';
    dom.append(contentDOM);
    return {
      dom,
      contentDOM,
      ...this.followed(node, { dom, fill: (html) => this.fillBand(dom, contentDOM, html) }),
      ignoreMutation: (mutation) => mutation.type !== 'selection' && !contentDOM.contains(mutation.target),
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
    this.html = new Map(blocks.map((block) => [block.id, block.html]));
    for (const [id, views] of this.mounted) for (const view of views) view.fill(this.html.get(id));
  }

  private mount(id: string | null, drawn: Drawn) {
    if (!id) return;
    drawn.dom.dataset.block = id;
    this.mounted.set(id, (this.mounted.get(id) ?? new Set()).add(drawn));
    drawn.fill(this.html.get(id));
  }

  private unmount(id: string | null, drawn: Drawn) {
    if (id) this.mounted.get(id)?.delete(drawn);
  }

  private fillBand(dom: HTMLElement, words: HTMLElement, html: string | undefined) {
    const template = this.frame().createElement('template');
    template.innerHTML = html ?? '';
    const drawn = template.content.querySelector<HTMLElement>('.band');
    dom.className = drawn ? drawn.className : 'band dk-band-empty';
    dom.style.cssText = drawn?.style.cssText ?? '';
    const ground = drawn?.querySelector(':scope > :not(.band-words)') ?? null;
    const stands = dom.firstElementChild === words ? null : dom.firstElementChild;
    for (const image of ground?.querySelectorAll('img') ?? []) image.loading = 'eager';
    ground?.setAttribute('contenteditable', 'false');
    if ((stands?.outerHTML ?? '') === (ground?.outerHTML ?? '')) return;
    stands?.remove();
    if (ground) dom.prepend(ground);
  }

  private fill(dom: HTMLElement, html: string | undefined) {
    if (!html) {
      // Nothing is drawn for a picture that is no longer in the library; before the first look it is still on its way.
      if (this.html.size > 0) dom.replaceChildren();
      if (!dom.hasChildNodes()) dom.className = this.html.size > 0 ? 'fig dk-waiting dk-gone' : 'fig dk-waiting';
      return;
    }
    const template = this.frame().createElement('template');
    template.innerHTML = html;
    const drawn = template.content.querySelector('figure');
    if (!drawn) return;
    dom.className = drawn.className;
    dom.style.cssText = drawn.style.cssText;
    // What is worked on is in view or soon will be; waiting for the scroll would show blanks.
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

/** What the frame needs beside the site's own style to be worked in: ProseMirror's base styles, and no more. */
export const frameStyle = `
.ProseMirror .cell:has(> p:only-child > br:only-child) { min-height: 96px; outline: 1px dashed currentColor; outline-offset: -1px; padding: 12px; }
.ProseMirror .cell:has(> p:only-child > br:only-child)::before { content: "Empty, " var(--wants, "") ": a picture or words"; display: block; font-size: .875rem; opacity: .65; }
.ProseMirror .cell.dk-over { outline: 3px solid currentColor; }
.dk-band-empty { outline: 1px dashed currentColor; outline-offset: -8px; }
.ProseMirror .band-words:has(> p:only-child > br:only-child)::before { content: "Words over the band"; position: absolute; opacity: .65; }
html { scrollbar-width: none; }
.ProseMirror { white-space: pre-wrap; outline: none; }
.ProseMirror .fig { white-space: normal; cursor: default; }
.ProseMirror .fig img { -webkit-user-drag: none; }
.ProseMirror li { position: relative; }
.ProseMirror a { text-decoration: underline; cursor: text; }
.ProseMirror-hideselection *::selection { background: transparent; }
.ProseMirror img.ProseMirror-separator { display: inline !important; border: none !important; margin: 0 !important; width: 0 !important; height: 0 !important; }
.ProseMirror h1:has(> br:only-child)::before { content: "Title"; position: absolute; opacity: .45; }
.ProseMirror > p:only-of-type:nth-child(2):last-child:has(> br:only-child)::before { content: "Type here, or open the library below and click a picture."; position: absolute; opacity: .55; }
.dk-waiting { min-height: 80px; background: rgb(0 0 0 / .06); }
.dk-gone::before { content: "The picture that stood here is no longer in the library."; display: block; padding: 16px; }
.ProseMirror-gapcursor { display: none; pointer-events: none; position: absolute; }
.ProseMirror-gapcursor::after { content: ""; display: block; position: absolute; top: -2px; width: 20px; border-top: 1px solid currentColor; }
.ProseMirror-focused .ProseMirror-gapcursor { display: block; }
::selection { background: oklch(74% 0.14 75 / .35); }
`;
