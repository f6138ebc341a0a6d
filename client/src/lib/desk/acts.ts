import type { Act } from '$lib/ui/acts.svelte';
import type { Desk } from './desk.svelte';

/** What the desk offers to the line that does everything. */
export const actsOf = (desk: Desk): Act[] => [
  { name: 'Add here', keys: 'Ctrl ↵', run: () => (desk.gap = desk.caretGap()) },
  { name: 'Open the library on the desk', keys: 'L', run: () => (desk.drawerOpen = true) },
  { name: 'Undo', keys: 'Ctrl Z', run: desk.undo },
  { name: 'Redo', keys: 'Ctrl ⇧ Z', run: desk.redo },
  ...(['phone', 'tablet', 'desktop'] as const).map((name, i) => ({
    name: `Show the page at ${name} width`,
    keys: String(i + 1),
    run: () => void (desk.width = desk.site.classes.referencePx[name]),
  })),
  { name: 'Phone beside the page, on or off', keys: 'P', run: () => void (desk.proofOn = !desk.proofOn) },
  { name: 'Proofs at all widths', keys: '⇧ P', run: () => void desk.session.toProofs() },
  { name: 'History of this page', run: () => void desk.session.toHistory() },
  { name: 'Title, address and summary of this page', keys: 'Esc', run: () => desk.choose(null) },
];
