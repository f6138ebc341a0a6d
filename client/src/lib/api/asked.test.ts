import { expect, test } from 'vitest';
import { askAnew } from './asked';

/** A server whose answers come when they are let go, each with what it knew as it was asked. */
function slowServer() {
  const sent: (() => void)[] = [];
  let knows = 0;
  return {
    change: () => ++knows,
    letGo: (question: number) => sent[question]!(),
    asked: () => expect.poll(() => sent.length),
    query: {
      queryKey: ['slow'],
      queryFn: () => {
        const known = knows;
        return new Promise<number>((resolve) => sent.push(() => resolve(known)));
      },
    },
  };
}

test('What is asked after a change is answered after it, though a question from before is still under way', async () => {
  const server = slowServer();
  const before = askAnew(server.query);
  await server.asked().toBe(1);
  server.change();
  const after = askAnew(server.query);
  await server.asked().toBe(2);
  server.letGo(0);
  server.letGo(1);
  expect(await after).toBe(1);
  // Nobody is left with the older answer, or without one.
  expect(await before).toBe(1);
});

test('What goes wrong is said to whoever asked', async () => {
  const wrong = { queryKey: ['wrong'], queryFn: () => Promise.reject(new Error('No way there.')), retry: false };
  await expect(askAnew(wrong)).rejects.toThrow('No way there.');
});
