import './origin.mjs';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = join(dirname(fileURLToPath(import.meta.url)), '../..');
const program = join(root, 'build/server/Dekoro.Server.dll');

export type Server = { url: string; data: string; process: ChildProcess; stop: () => Promise<void> };

export function freePort() {
  return new Promise<number>((resolve) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number };
      server.close(() => resolve(port));
    });
  });
}

/** The real program on a data folder of its own, which goes with it. */
export async function serve({
  demo = false,
  demoFolder = join(root, 'demo'),
  wrap = [] as string[],
  data = mkdtempSync(join(tmpdir(), 'dekoro-')),
  keep = false,
  env = {} as Record<string, string>,
  port = 0,
} = {}): Promise<Server> {
  port ||= await freePort();
  const [command, ...args] = [
    ...wrap,
    'dotnet',
    program,
    'serve',
    '--port',
    String(port),
    '--data',
    data,
    ...(demo ? [] : ['--empty']),
  ];
  const child = spawn(command!, args, {
    env: {
      ...process.env,
      DEKORO_CLIENT: join(root, 'client/build'),
      DEKORO_DEMO: demoFolder,
      DEKORO_EFFORT: 'least',
      DEKORO_RESERVE_MB: '0',
      // A program of a few seconds gains nothing by counting which way its branches go.
      DOTNET_TieredPGO: '0',
      // Nor by compiling again what was compiled ahead.
      DOTNET_TC_CallCounting: '0',
      ...env,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()));
  const url = await new Promise<string>((resolve, reject) => {
    let said = '';
    const hear = (part: Buffer) => {
      said += part;
      // What goes wrong inside is told by the program alone.
      if (/^(warn|fail|crit):/m.test(String(part)) && process.env.DEKORO_LOUD) process.stderr.write(part);
      const ready = /ready at (\S+)/.exec(said);
      if (ready) resolve(ready[1]!);
    };
    child.stdout!.on('data', hear);
    child.stderr!.on('data', hear);
    void ended.then(() => reject(new Error(`The server did not start: ${said}`)));
  });
  return {
    url,
    data,
    process: child,
    stop: async () => {
      if (child.exitCode === null && child.signalCode === null) child.kill('SIGINT');
      await ended;
      if (!keep) rmSync(data, { recursive: true, force: true });
    },
  };
}
