import { serve } from './server';

/** One server with the demo site for all tests that only read; those that change things start their own. */
export default async function setup() {
  if (process.env.DEMO_URL) return;
  const demo = await serve({ demo: true });
  process.env.DEMO_URL = demo.url;
  return () => demo.stop();
}
