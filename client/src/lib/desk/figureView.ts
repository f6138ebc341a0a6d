import type { NodeViewRenderer } from '@tiptap/core';

/**
 * The figures on the desk. Each shows the fragment that the server renders for it; a picture element that is the same as
 * before stays in the document, so that nothing flickers.
 */
export class FigureViews {
  private html = new Map<string, string>();
  private mounted = new Map<string, Set<HTMLElement>>();

  constructor(private frame: () => Document) {}

  readonly create: NodeViewRenderer = ({ node }) => {
    const dom = this.frame().createElement('figure');
    dom.contentEditable = 'false';
    dom.className = 'fig dk-waiting';
    let id = node.attrs.id as string | null;
    this.mount(id, dom);
    return {
      dom,
      update: (now) => {
        if (now.type !== node.type) return false;
        if (now.attrs.id !== id) {
          this.unmount(id, dom);
          id = now.attrs.id as string | null;
          this.mount(id, dom);
        }
        return true;
      },
      // Selection is drawn over the frame, not in it.
      selectNode: () => {},
      deselectNode: () => {},
      ignoreMutation: () => true,
      destroy: () => this.unmount(id, dom),
    };
  };

  /** Takes the server's fragments, by block id. */
  draw(blocks: { id: string; html: string }[]) {
    this.html = new Map(blocks.map((block) => [block.id, block.html]));
    for (const [id, elements] of this.mounted) for (const dom of elements) this.fill(dom, this.html.get(id));
  }

  private mount(id: string | null, dom: HTMLElement) {
    if (!id) return;
    dom.dataset.block = id;
    this.mounted.set(id, (this.mounted.get(id) ?? new Set()).add(dom));
    this.fill(dom, this.html.get(id));
  }

  private unmount(id: string | null, dom: HTMLElement) {
    if (id) this.mounted.get(id)?.delete(dom);
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
