/// <reference lib="webworker" />
// One line to the server for all windows of a browser: what comes over it goes to every window that is open.
import { follow, type Told } from './line';

const scope = self as unknown as SharedWorkerGlobalScope;
const ports = new Set<MessagePort>();
let last: Told | null = null;

follow((told) => {
  if (told.kind === 'state') last = told;
  for (const port of ports) port.postMessage(told);
});

scope.onconnect = ({ ports: [port] }) => {
  if (!port) return;
  ports.add(port);
  // A window that closes says so; one that crashed is only told what nobody hears.
  port.onmessage = () => ports.delete(port);
  if (last) port.postMessage(last);
};
