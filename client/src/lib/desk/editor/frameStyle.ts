/** What the frame needs beside the site's own style to be worked in: ProseMirror's base styles, and no more. */
export const frameStyle = `
.ProseMirror .cell:has(> .cell-words > p:only-child > br:only-child) {
  min-height: 96px; outline: 1px dashed currentColor; outline-offset: -1px; padding: 12px;
}
.ProseMirror .cell:has(> .cell-words > p:only-child > br:only-child)::before {
  content: "Empty, " var(--wants, "") ": a picture or words"; display: block; font-size: .875rem; opacity: .65;
}
.ProseMirror .cell.dk-over { outline: 3px solid currentColor; }
.dk-band-empty { outline: 1px dashed currentColor; outline-offset: -8px; }
.ProseMirror .band-words:has(> p:only-child > br:only-child)::before {
  content: "Words over the band"; position: absolute; opacity: .65;
}
html { scrollbar-width: none; }
.ProseMirror { white-space: pre-wrap; outline: none; }
.ProseMirror .button:has(> br:only-child)::before { content: "What it does"; position: absolute; opacity: .7; }
.ProseMirror .button { cursor: text; }
.ProseMirror .button:has(> br:only-child) { min-width: 8em; }
.ProseMirror .fig { white-space: normal; cursor: default; }
.ProseMirror .fig :is(video, .player) { pointer-events: none; }
.ProseMirror .fig img { -webkit-user-drag: none; }
.ProseMirror li { position: relative; }
.ProseMirror a { text-decoration: underline; cursor: text; }
.ProseMirror .button { text-decoration: none; }
.ProseMirror-hideselection *::selection { background: transparent; }
.ProseMirror img.ProseMirror-separator {
  display: inline !important; border: none !important; margin: 0 !important; width: 0 !important;
  height: 0 !important;
}
.ProseMirror h1:has(> br:only-child)::before { content: "Title"; position: absolute; opacity: .45; }
.ProseMirror > p:only-of-type:nth-child(2):last-child:has(> br:only-child)::before {
  content: "Type here, or open the library below and click a picture."; position: absolute; opacity: .55;
}
[data-banner] { position: relative; cursor: pointer; }
[data-banner]::after {
  content: "Banner, not a piece of this page: press to open it"; position: absolute; top: 8px; right: 8px;
  padding: 2px 8px; border-radius: 3px; background: #1b1a17; color: #fff; font: 13px/1.5 sans-serif;
}
/* The page's title stands in the banner: it is changed in the page's own sheet. */
[data-banner]:has(h1) + .column > h1 {
  position: absolute; width: 1px; height: 1px; margin: 0; overflow: hidden; clip-path: inset(50%);
}
[data-banner]:has(h1) + .column > h1 + * { margin-block-start: 0; }
[data-banner]:is(:hover, :focus-visible) { outline: 3px solid #b4690e; outline-offset: -3px; }
.dk-waiting { min-height: 80px; background: rgb(0 0 0 / .06); }
.dk-no-files::before {
  content: "A table of files: choose them beside the page."; display: block; padding: 16px;
  outline: 1px dashed currentColor;
}
.dk-no-set::before {
  content: "An arrangement without pictures: add some beside the page."; display: block; padding: 16px;
  outline: 1px dashed currentColor;
}
.ProseMirror .set { white-space: normal; }
.ProseMirror .set a { pointer-events: none; }
span.dk-waiting { min-width: 1em; min-height: 1em; }
.ProseMirror .in-line img { -webkit-user-drag: none; }
.ProseMirror .files a { pointer-events: none; }
.dk-gone:is(figure)::before {
  content: "The picture that stood here is no longer in the library."; display: block; padding: 16px;
}
.ProseMirror-gapcursor { display: none; pointer-events: none; position: absolute; }
.ProseMirror-gapcursor::after {
  content: ""; display: block; position: absolute; top: -2px; width: 20px; border-top: 1px solid currentColor;
}
.ProseMirror-focused .ProseMirror-gapcursor { display: block; }
::selection { background: oklch(74% 0.14 75 / .35); }
`;
