import { answer, api } from '$lib/api/client';
import { forgetLeft, leftDrafts } from '$lib/model/copies';
import { files } from './files';
import { takeLeft } from './left';
import { pictures } from './pictures';
import { sets } from './sets';

/** Once, as the tool opens: what was typed and did not get through goes on its way; what waits goes before the window closes. */
export function keepTyped() {
  void takeLeft().then((all) => {
    for (const { name, typed } of all) {
      const [kind, id] = name.split(':');
      if (kind === sets.kind) sets.found(id!, typed);
      else void (kind === files.kind ? files : pictures).of(id!).restore(typed);
    }
    void sets.send();
  });
  void sendDrafts();
  const flush = () => void Promise.all([pictures.flush(), files.flush()]);
  addEventListener('pagehide', flush);
  return () => removeEventListener('pagehide', flush);
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
