import { files } from './files';
import { takeLeft } from './left';
import { pictures } from './pictures';

/** Once, as the tool opens: what was typed and did not get through goes on its way; what waits goes before the window closes. */
export function keepTyped() {
  void takeLeft().then((all) => {
    for (const { name, typed } of all) {
      const [kind, id] = name.split(':');
      void (kind === files.kind ? files : pictures).of(id!).restore(typed);
    }
  });
  const flush = () => void Promise.all([pictures.flush(), files.flush()]);
  addEventListener('pagehide', flush);
  return () => removeEventListener('pagehide', flush);
}
