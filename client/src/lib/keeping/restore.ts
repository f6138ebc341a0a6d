import { answer, api } from '$lib/api/client';
import { forgetLeft, leftDrafts } from '$lib/model/copies';
import { files } from './files';
import { takeGone, takeLeft, type Left } from './left';
import { pictures } from './pictures';
import { bannerWishes, sets } from './wishes';

const goneMs = 2000;
const kinds = [sets, bannerWishes];

/** Once, as the tool opens: what was typed and did not get through goes on its way; what waits goes before the window closes. */
export function keepTyped() {
  void takeLeft().then(restore);
  void sendDrafts();
  // A window that was just closed may still have held what it left. What is open here has taken up its own and would not
  // ask any more: there it lies until the tool is opened anew.
  const again = () => {
    if (document.visibilityState === 'visible' && !kinds.some((one) => one.isHere)) void takeGone().then(restore);
  };
  const soon = setTimeout(again, goneMs);
  document.addEventListener('visibilitychange', again);
  const flush = () => void Promise.all([pictures.flush(), files.flush()]);
  addEventListener('pagehide', flush);
  return () => {
    clearTimeout(soon);
    document.removeEventListener('visibilitychange', again);
    removeEventListener('pagehide', flush);
  };
}

function restore(all: Left[]) {
  for (const { name, typed } of all) {
    const [kind, id] = name.split(':');
    const wishes = kinds.find((one) => one.kind === kind);
    if (wishes) wishes.found(id!, typed);
    else void (kind === files.kind ? files : pictures).of(id!).restore(typed);
  }
  for (const one of kinds) void one.send();
}

/**
 * What a window that is gone had left of pages goes on its way wherever the tool is opened; what meets another's stays
 * where it lies, for the desk to ask about.
 */
async function sendDrafts() {
  for (const { key, pageId, version, body } of await leftDrafts()) {
    // That page is being opened on the desk, which takes up its own.
    if (location.pathname === `/pages/${pageId}`) continue;
    const params = { path: { id: pageId } };
    const sent = answer(api.PUT('/api/pages/{id}/draft', { params, headers: { 'If-Match': `"${version}"` }, body }));
    await sent.then(() => forgetLeft(key)).catch(() => {});
  }
}
