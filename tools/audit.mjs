// Fails where a package has a known vulnerability of high severity or worse. A registry that tells nothing of
// vulnerabilities is named and is no finding: `npm audit` fails there too, so its exit code is not asked.
import { spawnSync } from 'node:child_process';
import { ofNpm, ofNuGet } from './auditFindings.mjs';

process.chdir(new URL('..', import.meta.url).pathname);
const json = (command, ...args) => {
  const { stdout } = spawnSync(command, args, { encoding: 'utf8', maxBuffer: 64 << 20, timeout: 300_000 });
  try {
    return JSON.parse(stdout);
  } catch {
    return null;
  }
};
const nuGet = ['list', 'Dekoro.slnx', 'package', '--vulnerable', '--include-transitive', '--format', 'json'];
const asked = [
  ['C#', () => ofNuGet(json('dotnet', ...nuGet))],
  ['client', () => ofNpm(json('npm', '--prefix', 'client', 'audit', '--json'))],
  ['tests/browser', () => ofNpm(json('npm', '--prefix', 'tests/browser', 'audit', '--json'))],
];
for (const [of, ask] of asked) {
  const found = ask();
  console.log(
    found ? `${of}: told of ${found.length}, of high severity or worse.` : `${of}: the registry tells nothing here.`,
  );
  for (const one of found ?? []) console.log(`  ${one}`);
  if (found?.length) process.exitCode = 1;
}
