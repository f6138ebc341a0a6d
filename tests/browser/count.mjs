// Prints how many browser tests passed and failed, for ./test.
import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

try {
  const { stats } = JSON.parse(readFileSync(join(dirname(fileURLToPath(import.meta.url)), 'out/report.json'), 'utf8'));
  console.log(stats.expected, stats.unexpected + stats.flaky);
} catch {
  console.log(0, 1);
}
